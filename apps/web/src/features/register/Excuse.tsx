import { areOffice, classTitle } from '@glen/core/light';
import type { Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { ChoicePart } from '../../ui/choices.js';
import { DateField } from '../../ui/DateField.js';
import { Field, FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { mayEdit } from '../school/mayEdit.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const ALL = 'all';

/** From which lessons whoever looks may excuse somebody: the office from all, hosts from their own. */
function useExcusable(me: Me, classIds: number[]): { value: string; label: string }[] {
  const { data } = api.useClassesQuery();
  const hosted = (data?.classes ?? []).filter(mayEdit);
  const theirs = hosted.filter(({ id }) => classIds.includes(id));
  // Who is new to a class period has no register there yet.
  const own = theirs.length > 0 ? theirs : hosted;
  return [
    ...(areOffice(me.person?.roles ?? []) ? [{ value: ALL, label: say.allLessons }] : []),
    ...own.map((one) => ({ value: String(one.id), label: classTitle(one) })),
  ];
}

interface ExcuseForm {
  from: string;
  until: string;
  reason: string;
  lessons: string;
}

interface Excusing {
  personId: number;
  today: string;
  /** From which lessons, where nothing else is chosen. */
  first: string | undefined;
}

function useExcusing({ personId, today, first }: Excusing) {
  const [add] = api.useAddAbsenceMutation();
  const start: ExcuseForm = { from: today, until: today, reason: '', lessons: '' };
  const form = useServerForm<ExcuseForm, ExcuseForm, unknown>({
    start,
    send: ({ lessons, ...away }) => {
      const chosen = lessons === '' ? first : lessons;
      const classId = chosen === ALL || chosen === undefined ? null : Number(chosen);
      return add({ params: { personId }, body: { ...away, classId } });
    },
    fieldOf: (path) => (path === 'classId' ? 'lessons' : path),
    onDone: () => form.reset(start),
  });
  return form;
}

export interface ExcuseProps {
  personId: number;
  me: Me;
  today: string;
  /** The class periods whose lessons they come to. */
  classIds: number[];
}

/** Excuses somebody from lessons of some days. */
export function Excuse({ personId, me, today, classIds }: ExcuseProps) {
  const choices = useExcusable(me, classIds);
  const form = useExcusing({ personId, today, first: choices[0]?.value });
  const { watch, change, errorAt, problem } = form;
  if (choices.length === 0) return null;
  return (
    <form
      className="flex flex-wrap items-start gap-3"
      noValidate
      aria-label={say.excuseBeforehand}
      onSubmit={form.submit}
    >
      {(['from', 'until'] as const).map((end) => (
        <div key={end} className="w-52">
          <Field label={end === 'from' ? say.awayFrom : 'until'} error={errorAt(end)}>
            {(field) => (
              <DateField
                {...field}
                value={watch(end)}
                onChange={(date) => change({ [end]: date })}
              />
            )}
          </Field>
        </div>
      ))}
      <p className="mt-7">
        <Said
          as={say.fromLessons}
          fromLessons={
            <ChoicePart
              label={say.fromWhichLessons}
              value={watch('lessons') === '' ? choices[0]!.value : watch('lessons')}
              choices={choices}
              onChange={(lessons) => change({ lessons })}
            />
          }
        />
      </p>
      <div className="w-60 max-w-full">
        <TextField
          label={say.because}
          placeholder={say.ill}
          error={errorAt('reason')}
          className="!py-1.5"
          {...form.register('reason')}
        />
      </div>
      <Button type="submit" kind="strong" className="mt-6" disabled={form.isSending}>
        {say.excuseThem}
      </Button>
      {problem && <FieldError>{problem.title}</FieldError>}
    </form>
  );
}
