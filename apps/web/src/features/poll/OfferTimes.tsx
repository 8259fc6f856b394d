import { addDays } from '@glen/core';
import type { Answer, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { DateField } from '../../ui/DateField.js';
import { Field, FieldError, inputClass } from '../../ui/Field.js';
import { TimeField } from '../../ui/TimeField.js';
import { guestsReadSoFar } from '../link/guestsReadSoFar.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type FreeTime = Answer<'freeTimes'>['times'][number];

/** What is offered, beside its times. */
interface Offering extends Pick<Sent<'addPoll'>, 'title' | 'minutes' | 'personIds'> {
  classId: number;
  times: FreeTime[];
}

interface Typed {
  guests: string;
  /** Empty: the day before the first of the times. */
  closesDate: string;
  closesTime: string;
}

/** The day on which it closes. */
const closesOn = ({ closesDate }: Pick<Typed, 'closesDate'>, times: FreeTime[]): string =>
  closesDate || addDays(times.map(({ date }) => date).sort()[0]!, -1);

type Form = ReturnType<typeof useServerForm<Typed, Typed, Answer<'addPoll'>>>;

/** When it closes, in a sentence that says what comes of it. */
function Closing({ form, times }: { form: Form; times: FreeTime[] }) {
  const { watch, change, errorAt } = form;
  const { closesDate, closesTime } = watch();
  const wrong = errorAt('closesDate', 'closesTime');
  return (
    <p className="leading-sentence">
      <Said
        as={say.theyChooseWithoutAnAccount}
        closesOn={
          <DateField
            dress="part"
            aria-label={say.closesOn}
            value={closesOn({ closesDate }, times)}
            invalid={wrong !== undefined}
            onChange={(date) => change({ closesDate: date })}
          />
        }
        closesAt={
          <TimeField
            dress="part"
            aria-label={say.closesAt}
            value={closesTime}
            invalid={wrong !== undefined}
            onChange={(time) => change({ closesTime: time })}
          />
        }
      />
    </p>
  );
}

interface OfferTimesProps {
  offering: Offering;
  onDone: (answer: Answer<'addPoll'>) => void;
}

/** Guests are asked which of some times suit them; it settles by itself. */
export function OfferTimes({ offering, onDone }: OfferTimesProps) {
  const { classId, times, ...of } = offering;
  const [add] = api.useAddPollMutation();
  const form = useServerForm<Typed, Typed, Answer<'addPoll'>>({
    start: { guests: '', closesDate: '', closesTime: '18:00' },
    send: ({ guests, closesDate, closesTime }) =>
      add({
        params: { classId },
        body: {
          ...of,
          times: times.map(({ start }) => start),
          guests,
          closes: { date: closesOn({ closesDate }, times), time: closesTime },
        },
      }),
    fieldOf: (path) => (path.startsWith('closes') ? 'closesDate' : path),
    keepAs: { name: 'offered times' },
    onDone,
  });
  const { register, errorAt, problem, isSending, submit, watch } = form;
  const { guests } = watch();
  const wrong = errorAt('closesDate', 'closesTime');
  const elsewhere = wrong === undefined && errorAt('guests') === undefined;
  return (
    <form
      className="mt-4 grid max-w-3xl gap-3 rounded-big border border-line bg-sheet p-4"
      aria-label={say.offerTheseTimes}
      noValidate
      onSubmit={submit}
    >
      <Field
        label={say.toWhichGuestsByName}
        error={errorAt('guests')}
        hint={guestsReadSoFar(guests)}
      >
        {(p) => (
          <textarea
            {...p}
            rows={3}
            spellCheck={false}
            className={inputClass}
            {...register('guests')}
          />
        )}
      </Field>
      <Closing form={form} times={times} />
      {wrong && <FieldError>{wrong}</FieldError>}
      {problem && elsewhere && (
        <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>
      )}
      <p>
        <Button kind="act" type="submit" disabled={isSending || times.length < 2}>
          {times.length < 2
            ? say.tickTwoTimesAtLeast
            : fill(say.offerTheseTimesTimesCount, { timesCount: times.length })}
        </Button>
      </p>
    </form>
  );
}
