import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { SIGN_ON_TROUBLES, signOnTroubleInWords, type SignOnTrouble } from '@glen/core/light';
import type { Me } from '@glen/contract';
import { Button } from '../../ui/Button.js';
import { useSignOn } from './useSignOn.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const isTrouble = (said: string | null): said is SignOnTrouble =>
  (SIGN_ON_TROUBLES as readonly (string | null)[]).includes(said);

/** What became of a sign-on that led nowhere, as the address of the page has it: only what is known is said. */
function useTrouble({ ways, school }: Me) {
  const [query, setQuery] = useSearchParams();
  const [{ said, at }] = useState(() => ({ said: query.get('trouble'), at: query.get('at') }));
  // Said once: whoever comes in after all, or looks again, reads no more of it.
  useEffect(() => {
    if (said === null) return;
    setQuery(
      (now) => {
        now.delete('trouble');
        now.delete('at');
        return now;
      },
      { replace: true },
    );
  }, [said, setQuery]);
  const provider = ways.providers.find((one) => one.id === at);
  if (!provider || !isTrouble(said)) return null;
  const words = signOnTroubleInWords(said, { name: provider.name, help: school.help });
  return { provider, words };
}

export interface TroubleProps {
  me: Me;
  /** Whether an account is added to a person who is signed in already. */
  join?: boolean;
}

/** Says why nobody was signed in, and offers to try again as somebody else there. */
export default function TroubleNote({ me, join = false }: TroubleProps) {
  const trouble = useTrouble(me);
  const { signOn, isLeaving } = useSignOn();
  if (!trouble) return null;
  const { provider, words } = trouble;
  return (
    <div role="alert" className="mb-4 rounded-small border border-gorse bg-gorse-tint p-3.5">
      <p>{words}</p>
      <Button
        kind="link"
        disabled={isLeaving}
        onClick={() => void signOn({ provider: provider.id, anew: true, join })}
      >
        {fill(say.tryAgain, { provider: provider.name })}
      </Button>
    </div>
  );
}
