import type { Answer, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { Field, FieldError, inputClass } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import { guestsReadSoFar } from './guestsReadSoFar.js';
import { ALWAYS, type When } from './whens.js';

interface Typed {
  text: string;
  comes: Sent<'addGuests'>['comes'];
  when: string;
}

const THEY = [
  { value: 'inside', label: 'come as others do' },
  { value: 'speaker', label: 'speak', hint: 'present, and go straight in' },
  { value: 'watcher', label: 'only watch', hint: 'have no seat' },
];

/** `always` in a sentence about guests. */
const atAnyTime = (when: When): When =>
  when.value === ALWAYS ? { ...when, label: 'whenever this link is used' } : when;

interface InviteProps {
  linkId: number;
  whens: When[];
  onDone: () => void;
}

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
  const { text, comes, when } = form.watch();
  return (
    <form className="mt-3 grid max-w-xl gap-3" noValidate onSubmit={submit}>
      <Field
        label="Names and addresses, a line each"
        error={errorAt('text')}
        hint={guestsReadSoFar(text)}
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
      <p className="text-lg leading-sentence">
        They{' '}
        <ChoicePart
          label="How they come"
          value={comes}
          choices={THEY}
          onChange={(next) => change({ comes: next as Typed['comes'] })}
        />{' '}
        <ChoicePart
          label="What they are invited to"
          value={when}
          choices={whens.map(atAnyTime)}
          onChange={(next) => change({ when: next })}
        />
        .
      </p>
      {problem && errorAt('text') === undefined && <FieldError>{problem.title}</FieldError>}
      <p className="flex gap-3">
        <Button type="submit" kind="act" disabled={isSending}>
          Invite them
        </Button>
        <Button onClick={onDone}>Not now</Button>
      </p>
    </form>
  );
}
