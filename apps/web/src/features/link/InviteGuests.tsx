import type { Answer, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { Field, FieldError, inputClass } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import { guestsReadSoFar } from './guestsReadSoFar.js';
import { ALWAYS, type When } from './whens.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

interface Typed {
  text: string;
  comes: Sent<'addGuests'>['comes'];
  when: string;
}

const THEY = [
  { value: 'inside', label: say.comeAsOthersDo },
  { value: 'speaker', label: 'speak', hint: say.presentAndGoStraightIn },
  { value: 'watcher', label: say.onlyWatch, hint: say.haveNoSeat },
];

/** `always` in a sentence about guests. */
const atAnyTime = (when: When): When =>
  when.value === ALWAYS ? { ...when, label: say.wheneverThisLinkIsUsed } : when;

interface InviteProps {
  linkId: number;
  whens: When[];
  onDone: () => void;
}

interface HowProps extends Pick<InviteProps, 'whens'> {
  typed: Typed;
  change: (part: Partial<Typed>) => void;
}

const HowTheyCome = ({ typed, whens, change }: HowProps) => (
  <p className="text-lg leading-sentence">
    <Said
      as={say.theyHowComeAreInvited}
      howCome={
        <ChoicePart
          label={say.howTheyCome}
          value={typed.comes}
          choices={THEY}
          onChange={(next) => change({ comes: next as Typed['comes'] })}
        />
      }
      areInvited={
        <ChoicePart
          label={say.whatTheyAreInvitedTo}
          value={typed.when}
          choices={whens.map(atAnyTime)}
          onChange={(next) => change({ when: next })}
        />
      }
    />
  </p>
);

/** Guests by name and address, as many as are pasted, for the link, a series or one date. */
export function InviteGuests({ linkId, whens, onDone }: InviteProps) {
  const [add] = api.useAddGuestsMutation();
  const form = useServerForm<Typed, Typed, Answer<'addGuests'>>({
    start: { text: '', comes: 'inside', when: ALWAYS },
    send: ({ text, comes, when }) => {
      const dates = whens.find((w) => w.value === when)?.body ?? {};
      return add({ params: { linkId }, body: { text, comes, ...dates } });
    },
    fieldOf: (path) => (path === 'text' ? 'text' : ''),
    keepAs: { name: `guests of ${linkId}` },
    onDone,
  });
  const { register, errorAt, problem, isSending, submit, change } = form;
  const typed = form.watch();
  return (
    <form className="mt-3 grid max-w-xl gap-3" noValidate onSubmit={submit}>
      <Field
        label={say.namesAndAddressesALine}
        error={errorAt('text')}
        hint={guestsReadSoFar(typed.text)}
      >
        {(p) => (
          <textarea
            {...p}
            rows={4}
            autoFocus
            spellCheck={false}
            className={inputClass}
            {...register('text')}
          />
        )}
      </Field>
      <HowTheyCome typed={typed} whens={whens} change={change} />
      {problem && errorAt('text') === undefined && <FieldError>{problem.title}</FieldError>}
      <p className="flex gap-3">
        <Button type="submit" kind="act" disabled={isSending}>
          {say.inviteThem}
        </Button>
        <Button onClick={onDone}>{say.notNow}</Button>
      </p>
    </form>
  );
}
