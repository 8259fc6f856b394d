import { addMinutes, slotOffsets } from '@glen/core';
import type { Answer, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { ChoicePart } from '../../ui/choices.js';
import { DateField } from '../../ui/DateField.js';
import { Field, FieldError, inputClass } from '../../ui/Field.js';
import { NumberPart } from '../../ui/NumberPart.js';
import { TextField } from '../../ui/TextField.js';
import { TimeField } from '../../ui/TimeField.js';
import { guestsReadSoFar } from '../link/guestsReadSoFar.js';
import { fill, many } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Teacher = Answer<'appointments'>['teachers'][number];
type Planned = Sent<'addAppointments'>;

/** As it is typed: numbers are text until they are sent. */
interface Typed {
  title: string;
  date: string;
  time: string;
  minutes: string;
  slot: string;
  gap: string;
  hosts: Planned['hosts'];
  guests: string;
}

const numberOf = (typed: string): number => (/^\d+$/.test(typed) ? Number(typed) : NaN);

const asSent = ({ slot, gap, minutes, ...rest }: Typed): Planned => ({
  ...rest,
  minutes: numberOf(minutes),
  slots: { minutes: numberOf(slot), gap: numberOf(gap), breakEvery: 0, breakMinutes: 0 },
});

/** From a path of what is sent to the field that it is typed into. */
const FIELD_OF: Record<string, keyof Typed> = { 'slots.minutes': 'slot', 'slots.gap': 'gap' };

function usePlanning(first: string, onDone: (id: number) => void) {
  const [add] = api.useAddAppointmentsMutation();
  return useServerForm<Typed, Typed, Answer<'addAppointments'>>({
    start: {
      title: say.familiesEvening,
      date: first,
      time: '18:00',
      minutes: '120',
      slot: '10',
      gap: '2',
      hosts: [],
      guests: '',
    },
    send: (typed) => add({ body: asSent(typed) }),
    fieldOf: (path) => FIELD_OF[path] ?? path,
    keepAs: { name: 'appointments' },
    onDone: ({ id }) => onDone(id),
  });
}

type Form = ReturnType<typeof usePlanning>;

/** How many slots each teacher has, as far as it can be told from what is typed. */
function countInWords(typed: Typed): string {
  const { minutes, slots } = asSent(typed);
  const { minutes: slot, gap } = slots;
  if (![minutes, slot, gap].every(Number.isFinite) || slot < 2 || minutes > 720) return '';
  const count = slotOffsets(minutes, slots).length;
  if (!/^\d\d:\d\d$/.test(typed.time)) return many(say.timesWithEach, count);
  return many(say.timesWithEachUntil, count, { until: addMinutes(typed.time, minutes) });
}

/** When it is, and how it is cut, in a sentence whose parts are changed in place. */
function When({ form }: { form: Form }) {
  const { watch, change, errorAt } = form;
  const typed = watch();
  const part = (field: 'minutes' | 'slot' | 'gap', label: string) => (
    <NumberPart
      label={label}
      wide={field === 'minutes'}
      value={typed[field]}
      invalid={errorAt(field) !== undefined}
      onChange={(v) => change({ [field]: v })}
    />
  );
  const wrong = errorAt('date', 'time', 'minutes', 'slot', 'gap');
  return (
    <div>
      <p className="text-lg leading-sentence">
        <Said
          as={say.onFromForMinutesEach}
          day={
            <DateField
              dress="part"
              aria-label={say.theDay}
              value={typed.date}
              invalid={errorAt('date') !== undefined}
              onChange={(date) => change({ date })}
            />
          }
          from={
            <TimeField
              dress="part"
              aria-label={say.from}
              value={typed.time}
              invalid={errorAt('time') !== undefined}
              onChange={(time) => change({ time })}
            />
          }
          minutes={part('minutes', say.minutesInAll)}
          slot={part('slot', say.minutesEach)}
          gap={part('gap', say.minutesBetween)}
        />
      </p>
      {wrong ? (
        <FieldError>{wrong}</FieldError>
      ) : (
        <p className="text-md text-soft">{countInWords(typed)}</p>
      )}
    </div>
  );
}

interface TeacherProps {
  teacher: Teacher;
  host: Planned['hosts'][number] | undefined;
  onChange: (classId: number | null) => void;
}

/** A teacher who takes part or not, and as which class period. */
function OneTeacher({ teacher, host, onChange }: TeacherProps) {
  const { name, classes } = teacher;
  const [first] = classes;
  return (
    <li className="flex min-h-11 flex-wrap items-center gap-x-3 border-t border-line py-1">
      <label className="flex items-center gap-3">
        <input
          type="checkbox"
          className="size-5 accent-bracken"
          checked={host !== undefined}
          onChange={() => onChange(host ? null : first!.id)}
        />
        <b>{name}</b>
      </label>
      {host && (
        <span className="text-soft">
          <Said
            as={say.asClassId}
            classId={
              <ChoicePart
                label={fill(say.asWhichClassPeriod, { name })}
                value={String(host.classId)}
                choices={classes.map(({ id, title }) => ({ value: String(id), label: title }))}
                onChange={(id) => onChange(Number(id))}
              />
            }
          />
        </span>
      )}
    </li>
  );
}

/** Who sees guests. */
function Hosts({ form, teachers }: { form: Form; teachers: Teacher[] }) {
  const hosts = form.watch('hosts');
  const wrong = form.errorAt('hosts');
  const set = (personId: number, classId: number | null): void => {
    const others = hosts.filter((one) => one.personId !== personId);
    form.change({ hosts: classId === null ? others : [...others, { personId, classId }] });
  };
  return (
    <fieldset>
      <legend className="text-sm font-semibold">{say.whoSeesGuestsEach}</legend>
      <ul className="mt-1 max-h-96 overflow-y-auto">
        {teachers.map((teacher) => (
          <OneTeacher
            key={teacher.personId}
            teacher={teacher}
            host={hosts.find(({ personId }) => personId === teacher.personId)}
            onChange={(classId) => set(teacher.personId, classId)}
          />
        ))}
      </ul>
      {wrong && <FieldError>{wrong}</FieldError>}
    </fieldset>
  );
}

interface PlanEveningProps {
  teachers: Teacher[];
  /** The day that it is on until another is said. */
  first: string;
  onDone: (id: number) => void;
  onBack: () => void;
}

/** Plans an evening by appointment: who sees guests when, and which guests choose. */
export function PlanEvening({ teachers, first, onDone, onBack }: PlanEveningProps) {
  const form = usePlanning(first, onDone);
  const { register, watch, errorAt, problem, isSending, submit } = form;
  return (
    <form className="mt-4 grid max-w-3xl gap-5" noValidate onSubmit={submit}>
      <TextField
        label={say.whatItIsCalled}
        maxLength={200}
        error={errorAt('title')}
        {...register('title')}
      />
      <When form={form} />
      <Hosts form={form} teachers={teachers} />
      <Field
        label={say.whichGuestsChooseByName}
        error={errorAt('guests')}
        hint={guestsReadSoFar(watch('guests'))}
      >
        {(p) => (
          <textarea
            {...p}
            rows={5}
            spellCheck={false}
            className={inputClass}
            {...register('guests')}
          />
        )}
      </Field>
      {problem && <FieldError>{problem.title}</FieldError>}
      <p className="flex flex-wrap gap-3">
        <Button kind="act" type="submit" disabled={isSending}>
          {say.planItAndInviteThem}
        </Button>
        <Button onClick={onBack}>{say.backToTheList}</Button>
      </p>
    </form>
  );
}
