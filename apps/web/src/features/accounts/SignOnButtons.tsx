import type { Me } from '@glen/contract';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { kindInWords } from './kindInWords.js';
import { useSignOn } from './useSignOn.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Provider = Me['ways']['providers'][number];

interface SignOnButtonsProps {
  providers: Provider[];
  /** The one that is wanted here, which stands out. */
  wanted?: Provider['kind'] | undefined;
  asksAnew?: ((kind: Provider['kind']) => boolean) | undefined;
  join?: boolean;
}

/** The providers of accounts, a button each: one press leaves for it, and comes back to this page. */
export function SignOnButtons({
  providers,
  wanted,
  asksAnew = () => false,
  join = false,
}: SignOnButtonsProps) {
  const { signOn, isLeaving, problem } = useSignOn();
  if (providers.length === 0) return null;
  const isWanted = (provider: Provider): boolean => provider.kind === wanted;
  const ordered = [...providers].sort((a, b) => Number(isWanted(b)) - Number(isWanted(a)));
  return (
    <div>
      <ul className="grid gap-2">
        {ordered.map(({ id, name, kind }) => (
          <li key={id}>
            <Button
              kind={kind === wanted ? 'act' : 'plain'}
              className="w-full !py-2"
              disabled={isLeaving}
              onClick={() => void signOn({ provider: id, anew: asksAnew(kind), join })}
            >
              <span className="truncate">{fill(say.useName, { name })}</span>{' '}
              <span className="font-normal">{kindInWords(kind)}</span>
            </Button>
          </li>
        ))}
      </ul>
      {problem && <FieldError>{problem.title}</FieldError>}
    </div>
  );
}
