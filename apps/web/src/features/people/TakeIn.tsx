import { useState } from 'react';
import { Link } from 'react-router';
import type { Answer, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { PickOne } from '../../ui/PickOne.js';
import { TextField } from '../../ui/TextField.js';
import { WaysIn } from '../group/WaysIn.js';
import { useAlone } from '../school/useAlone.js';
import { RolesPart } from './RolesPart.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Typed = Required<Sent<'addPerson'>>;

const schema = async () => (await import('@glen/contract/forms')).newPerson;

const START: Typed = { name: '', email: '', kind: 'school', roles: ['teacher'] };
/** Whoever teaches alone takes students in. */
const START_ALONE: Typed = { ...START, roles: ['student'] };

const KINDS = [
  ['school', say.theSchools],
  ['personal', say.theirOwnFromHome],
] as const;

type TakenIn = Answer<'addPerson'>;

/** They are taken in: the way to their page, and how they come to a password. */
const Done = ({ made: { person, wayIn }, onClose }: { made: TakenIn; onClose: () => void }) => (
  <>
    <p className="mb-3">
      <Said
        as={wayIn ? say.isTakenIn : say.isTakenInWithout}
        person={
          <Link
            className="font-semibold text-bracken-deep underline"
            to={`/school/people/${person.id}`}
          >
            {person.name}
          </Link>
        }
      />
    </p>
    {wayIn ? (
      <WaysIn ways={[{ ...wayIn, personId: person.id, name: person.name }]} onClose={onClose} />
    ) : (
      <Button onClick={onClose}>{say.done}</Button>
    )}
  </>
);

function Form({ onDone, onClose }: { onDone: (made: TakenIn) => void; onClose: () => void }) {
  const [add] = api.useAddPersonMutation();
  const alone = useAlone();
  const form = useServerForm<Typed, Typed, TakenIn>({
    start: alone ? START_ALONE : START,
    schema,
    send: (body) => add({ body }),
    onDone,
  });
  const { register, watch, setValue, formState, problem, submit } = form;
  const { errors, isSubmitting } = formState;
  return (
    <form className="grid max-w-2xl gap-4" noValidate onSubmit={submit}>
      <TextField label={say.name} error={errors.name?.message} autoFocus {...register('name')} />
      <TextField
        label={say.address}
        type="email"
        hint={say.whatTheySign}
        error={errors.email?.message}
        {...register('email')}
      />
      {!alone && (
        <PickOne
          label={say.whoseAddressItIs}
          value={watch('kind')}
          choices={KINDS}
          onChange={(kind) => setValue('kind', kind)}
        />
      )}
      {!alone && (
        <RolesPart roles={watch('roles')} onChange={(roles) => setValue('roles', roles)} />
      )}
      {errors.roles?.message && <FieldError>{errors.roles.message}</FieldError>}
      {problem && <FieldError>{problem.title}</FieldError>}
      <p className="flex gap-3">
        <Button type="submit" kind="act" disabled={isSubmitting}>
          {say.takeThemIn}
        </Button>
        <Button onClick={onClose}>{say.leaveIt}</Button>
      </p>
    </form>
  );
}

/** Somebody new to the school. */
export function TakeIn({ onClose }: { onClose: () => void }) {
  const [made, setMade] = useState<TakenIn>();
  return (
    <section
      aria-label={say.takeSomebodyIn}
      className="mb-5 rounded-big border border-line bg-sheet p-5"
    >
      {made ? <Done made={made} onClose={onClose} /> : <Form onDone={setMade} onClose={onClose} />}
    </section>
  );
}
