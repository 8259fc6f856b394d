import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { ClassItem, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { Tick } from '../link/Tick.js';
import * as say from './words.js';

type Checked = Sent<'copyClass'>;
type Typed = Checked & { period: string };

const schema = async () => (await import('@glen/contract/forms')).classCopy;

const TAKES: { key: keyof Checked['takes']; label: string }[] = [
  { key: 'roll', label: say.theRoll },
  { key: 'teachers', label: say.itsTeachers },
  { key: 'rules', label: say.itsEntryRules },
];

interface CopyProps {
  of: ClassItem;
  onClose: () => void;
}

function CopyForm({ of, onClose }: CopyProps) {
  const [copy] = api.useCopyClassMutation();
  const navigate = useNavigate();
  const form = useServerForm<Typed, Checked, { class: ClassItem }>({
    start: {
      title: of.title,
      period: '',
      takes: { roll: false, teachers: true, rules: true },
    },
    schema,
    send: (body) => copy({ params: { classId: of.id }, body }),
    onDone: ({ class: made }) => void navigate(`/classes/${made.id}`),
  });
  const { register, watch, setValue, formState, problem, submit } = form;
  const takes = watch('takes');
  return (
    <form className="mt-2 grid gap-4" noValidate onSubmit={submit}>
      <div className="grid gap-4 sm:grid-cols-[1fr_9rem]">
        <TextField
          label={say.whatIsTheNewOne}
          error={formState.errors.title?.message}
          autoFocus
          {...register('title')}
        />
        <TextField
          label={say.itsPeriod}
          error={formState.errors.period?.message}
          {...register('period')}
        />
      </div>
      <fieldset className="flex flex-wrap gap-x-5 gap-y-2">
        <legend className="mb-1 text-sm font-semibold">{say.itTakesOver}</legend>
        {TAKES.map(({ key, label }) => (
          <Tick
            key={key}
            label={label}
            checked={takes[key]}
            onChange={(on) => setValue(`takes.${key}`, on)}
          />
        ))}
      </fieldset>
      {problem && <FieldError>{problem.title}</FieldError>}
      <p className="flex gap-2.5">
        <Button type="submit" kind="act" disabled={formState.isSubmitting}>
          {say.makeTheClassPeriod}
        </Button>
        <Button onClick={onClose}>{say.leaveIt}</Button>
      </p>
    </form>
  );
}

/** Makes another class period like this one: next year's, or the same at another time. */
export function CopyClass({ of }: { of: ClassItem }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <section aria-label={say.anotherLikeIt} className="mt-7 max-w-2xl">
      <h2 className="mb-1 text-xl">{say.anotherLikeIt}</h2>
      <p>{say.forAnotherPeriod}</p>
      {isOpen ? (
        <CopyForm of={of} onClose={() => setOpen(false)} />
      ) : (
        <p className="mt-3">
          <Button onClick={() => setOpen(true)}>{say.makeAnotherLikeIt}</Button>
        </p>
      )}
    </section>
  );
}
