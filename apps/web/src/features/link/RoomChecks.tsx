import type { EntryRules } from '@glen/core';
import type { LinkDetail } from '@glen/contract';
import { toast } from '../../ui/toast.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { TextField } from '../../ui/TextField.js';
import { RULE_NAMES, valueInWords } from '../entry/sentences.js';
import { Tick } from './Tick.js';
import { useLookedAt } from './useLookedAt.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Looked = NonNullable<LinkDetail['lookedAt']>;
type Check = Looked['checks'][number];

interface Props {
  link: LinkDetail;
  looked: Looked;
  rules: EntryRules;
}

const askOf = ({ ask, field }: Check, rules: EntryRules): string =>
  ask ?? `${RULE_NAMES[field!]}: ${valueInWords(field!, rules[field!])}.`;

interface PowersProps {
  looked: Looked;
  note: ReturnType<typeof useLookedAt>['notePowers'];
}

/** Who has host's powers in the room, and with which account: for whoever takes over. */
function Powers({ looked, note }: PowersProps) {
  const { register, submit, errorAt, problem, theirs, isSending } = useServerForm<
    { powers: string },
    { powers: string },
    LinkDetail
  >({
    start: { powers: looked.powers },
    send: ({ powers }) => note(powers),
    onDone: () => toast(say.noted),
  });
  const stale = theirs ? say.somebodyChangedThisLinkJustNowNote : undefined;
  return (
    <form className="mt-2 flex max-w-xl flex-wrap items-end gap-2.5" noValidate onSubmit={submit}>
      <div className="min-w-0 flex-1 basis-60">
        <TextField
          label={say.whoHasHostsPowers}
          error={stale ?? errorAt('powers') ?? problem?.title}
          maxLength={200}
          {...register('powers')}
        />
      </div>
      <Button type="submit" disabled={isSending}>
        {say.keepThisNote}
      </Button>
    </form>
  );
}

/** What a teacher looks at in a room that Glen cannot reach into, ticked as it is so. */
export function RoomChecks({ link, looked, rules }: Props) {
  const { ticked, tick, notePowers } = useLookedAt(link);
  const left = looked.checks.filter(({ key }) => !ticked.includes(key)).length;
  return (
    <section aria-label={say.inTheRoomItself} className="mt-3 rounded-small bg-shade p-3">
      <h3 className="font-sans text-md font-bold">
        <Said
          as={say.inTheRoomItselfWhat}
          what={
            <span className="font-normal text-soft">
              {left === 0
                ? say.allLookedAt
                : fill(say.ofToLookAt, { left, checksCount: looked.checks.length })}
            </span>
          }
        />
      </h3>
      <p className="text-md text-soft">{say.glenCannotReachIntoThis}</p>
      <fieldset disabled={!link.mayEdit} className="mt-2 grid gap-1.5">
        <legend className="sr-only">{say.whatYouSaw}</legend>
        {looked.checks.map((check) => (
          <Tick
            key={check.key}
            label={askOf(check, rules)}
            checked={ticked.includes(check.key)}
            onChange={(isDone) => tick(check.key, isDone)}
          />
        ))}
      </fieldset>
      {link.mayEdit && <Powers looked={looked} note={notePowers} />}
      {!link.mayEdit && looked.powers && (
        <p className="mt-2 text-md">{fill(say.hostsPowersThere, { powers: looked.powers })}</p>
      )}
    </section>
  );
}
