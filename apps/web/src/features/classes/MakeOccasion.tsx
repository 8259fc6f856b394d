import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { OccasionComes } from '@glen/core';
import type { ClassItem, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { restartLive } from '../../app/live.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import { TextField } from '../../ui/TextField.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Typed = Required<Pick<Sent<'addClass'>, 'title' | 'kind' | 'comes'>>;

const START: Typed = { title: '', kind: 'occasion', comes: 'named' };

const schema = async () =>
  (await import('@glen/contract/forms')).newClass.pick({ title: true, kind: true, comes: true });

const COMES: { value: OccasionComes; label: string }[] = [
  { value: 'named', label: say.whomIName },
  { value: 'knock', label: say.whoeverKnocksAndIsLet },
  { value: 'open', label: say.everybodyWithTheLink },
];

function Form({ onClose }: { onClose: () => void }) {
  const [add] = api.useAddClassMutation();
  const navigate = useNavigate();
  const form = useServerForm<Typed, Typed, { class: ClassItem }>({
    start: START,
    schema,
    send: (body) => add({ body }),
    onDone: ({ class: made }) => {
      // What one hears of is settled as one begins to listen; the new occasion is to be heard of too.
      restartLive();
      void navigate(`/classes/${made.id}/people`);
    },
  });
  const { register, watch, setValue, formState, problem, submit } = form;
  return (
    <form className="grid max-w-xl gap-4" noValidate onSubmit={submit}>
      <TextField
        label={say.whatIsItCalled}
        autoFocus
        error={formState.errors.title?.message}
        {...register('title')}
      />
      <p className="text-lg leading-sentence">
        <Said
          as={say.inComes}
          comes={
            <ChoicePart
              label={say.whoComes}
              value={watch('comes')}
              choices={COMES}
              onChange={(comes) => setValue('comes', comes as OccasionComes)}
            />
          }
        />
      </p>
      {problem && <FieldError>{problem.title}</FieldError>}
      <p className="flex gap-3">
        <Button type="submit" kind="act" disabled={formState.isSubmitting}>
          {say.makeItsLink}
        </Button>
        <Button onClick={onClose}>{say.leaveIt}</Button>
      </p>
    </form>
  );
}

/** Something that is no class: colleagues, a talk, a family. It has a link, sessions, rules and posts, and no roll. */
export function MakeOccasion() {
  const [isOpen, setOpen] = useState(false);
  if (!isOpen)
    return (
      <Button className="mt-3" onClick={() => setOpen(true)}>
        {say.makeAnOccasion}
      </Button>
    );
  return (
    <section
      aria-label={say.makeAnOccasion}
      className="mt-3 rounded-big border border-line bg-sheet p-5"
    >
      <Form onClose={() => setOpen(false)} />
    </section>
  );
}
