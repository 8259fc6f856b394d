import { useState } from 'react';
import { wallClock } from '../../app/clock.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { PickOne } from '../../ui/PickOne.js';
import { TextField } from '../../ui/TextField.js';
import { dateInWords } from '@glen/core/light';
import { kindInWords } from '../accounts/kindInWords.js';
import { WaysIn } from '../group/WaysIn.js';
import { Part } from './Part.js';
import type { Person, PersonEdits, WayIn } from './usePersonEdits.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Account = Person['accounts'][number];

const KINDS = [
  ['school', say.schoolAccount],
  ['personal', say.homeAccount],
] as const;

function standing({ hasPassword, addressUntil, signOns }: Account, zone: string): string {
  const until = addressUntil && wallClock(addressUntil, zone);
  const out = until
    ? fill(say.aWayInIsOut, { date: dateInWords(until.date), time: until.time })
    : '';
  const at =
    signOns.length > 0
      ? fill(say.signsOnAt, { signOns: signOns.map((s) => s.name).join(', ') })
      : '';
  return [hasPassword ? say.hasAPassword : say.noPasswordYet, at, out].filter(Boolean).join('; ');
}

interface RowProps {
  account: Account;
  zone: string;
  mayKeep: boolean;
  mayGive: boolean;
  onGive: () => void;
  onRemove: () => void;
  onUnbind: (signOnId: number) => void;
}

const Row = ({ account, zone, mayKeep, mayGive, onGive, onRemove, onUnbind }: RowProps) => (
  <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-2">
    <span className="min-w-52 flex-1">
      <b className="break-all">{account.email}</b>
      <span className="block text-sm text-soft">
        {kindInWords(account.kind)}, {standing(account, zone)}
      </span>
    </span>
    {mayGive && (
      <Button aria-label={fill(say.makeAWayInFor, { email: account.email })} onClick={onGive}>
        {account.hasPassword ? say.newWayIn : say.makeAWayIn}
      </Button>
    )}
    {mayKeep &&
      account.signOns.map(({ id, name }) => (
        <Button
          key={id}
          kind="danger-link"
          aria-label={fill(say.endFor, { name, email: account.email })}
          title={say.whoeverSignsOnThereNext}
          onClick={() => onUnbind(id)}
        >
          {fill(say.endName, { name })}
        </Button>
      ))}
    {mayKeep && (
      <Button
        kind="danger-link"
        aria-label={fill(say.takeAway, { email: account.email })}
        onClick={onRemove}
      >
        {say.takeAwayShort}
      </Button>
    )}
  </li>
);

interface NewAccount {
  kind: 'school' | 'personal';
  email: string;
}

/** Another account by its address; what was typed stays where it is refused. */
function Another({ edits }: { edits: PersonEdits }) {
  const form = useServerForm<NewAccount, NewAccount, void>({
    start: { kind: 'school', email: '' },
    send: async ({ kind, email }) => ({ error: await edits.addAccount(kind, email) }),
    onDone: () => form.reset({ kind: form.getValues('kind'), email: '' }),
  });
  const { register, watch, change, errorAt, problem, submit } = form;
  return (
    <form className="mt-3 flex flex-wrap items-end gap-3" noValidate onSubmit={submit}>
      <div className="w-72">
        <TextField
          label={say.anotherAccountByItsAddress}
          type="email"
          className="!py-1.5"
          error={errorAt('email')}
          {...register('email')}
        />
      </div>
      <PickOne
        label={say.whichKind}
        value={watch('kind')}
        choices={KINDS}
        onChange={(kind) => change({ kind })}
      />
      <Button type="submit">{say.addTheAccount}</Button>
      {problem && <FieldError>{problem.title}</FieldError>}
    </form>
  );
}

interface AccountsProps {
  person: Person;
  edits: PersonEdits;
  zone: string;
}

/** What somebody signs in with, and how they come to a password. */
export function AccountsPart({ person, edits, zone }: AccountsProps) {
  const [way, setWay] = useState<WayIn>();
  const { may, accounts, retiredAt } = person;
  const isHere = retiredAt === null;
  return (
    <Part title={say.accounts}>
      {way && (
        <WaysIn
          ways={[{ ...way, personId: person.id, name: person.name }]}
          onClose={() => setWay(undefined)}
        />
      )}
      {accounts.length === 0 && <p className="text-soft">{say.noAccountAtAll}</p>}
      <ul>
        {accounts.map((account) => (
          <Row
            key={account.id}
            account={account}
            zone={zone}
            mayKeep={may.keep && isHere}
            mayGive={isHere && (may.reset || !account.hasPassword)}
            onGive={() => void edits.wayIn(account.id).then(setWay)}
            onRemove={() => void edits.removeAccount(account.id)}
            onUnbind={(signOnId) => void edits.endSignOn(signOnId)}
          />
        ))}
      </ul>
      {may.keep && isHere && <Another edits={edits} />}
    </Part>
  );
}
