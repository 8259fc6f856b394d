import { api, problemOf } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { DateField } from '../../ui/DateField.js';
import { FieldError } from '../../ui/Field.js';
import { TimeField } from '../../ui/TimeField.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** The steps one can take at a press, in minutes. */
const STEPS = [-10, -1, 1, 10, 60];

interface Moment {
  date: string;
  time: string;
}

type Result = { data?: unknown; error?: unknown };
type Move = (to: { to: 'next-bell' } | { minutes: number } | Moment) => void;

interface MovingProps {
  move: Move;
  isMoving: boolean;
}

const Steps = ({ move, isMoving }: MovingProps) => (
  <div className="flex flex-wrap gap-2">
    <Button disabled={isMoving} onClick={() => move({ to: 'next-bell' })}>
      {say.toTheNextBell}
    </Button>
    {STEPS.map((minutes) => (
      <Button
        key={minutes}
        disabled={isMoving}
        aria-label={fill(minutes < 0 ? say.minutesBack : say.minutesOn, { n: Math.abs(minutes) })}
        onClick={() => move({ minutes })}
      >
        {fill(minutes < 0 ? say.minBack : say.minOn, { n: Math.abs(minutes) })}
      </Button>
    ))}
  </div>
);

function GoTo({ start, go }: { start: Moment; go: (to: Moment) => Promise<Result> }) {
  const form = useServerForm<Moment, Moment, unknown>({ start, send: go, onDone: () => {} });
  const { date, time } = form.watch();
  const wrong = form.errorAt('date', 'time') ?? form.problem?.title;
  return (
    <form className="flex flex-wrap gap-2" noValidate onSubmit={form.submit}>
      <DateField
        aria-label={say.date}
        dress="cell"
        value={date}
        onChange={(day) => form.change({ date: day })}
      />
      <TimeField
        aria-label={say.time}
        dress="cell"
        value={time}
        onChange={(to) => form.change({ time: to })}
      />
      <Button type="submit" kind="strong" disabled={form.isSending || !date || !time}>
        {say.goThere}
      </Button>
      {wrong && <FieldError>{wrong}</FieldError>}
    </form>
  );
}

/** What the demo's clock is moved by. */
export default function DemoClockCard({ date, time }: Moment) {
  const [moveClock, { error, isLoading }] = api.useDemoClockMutation();
  const move: Move = (body) => void moveClock({ body });
  const problem = problemOf(error);
  return (
    <>
      <h2 className="text-base">{say.moveTheDemosClock}</h2>
      <Steps move={move} isMoving={isLoading} />
      <GoTo start={{ date, time }} go={(body) => moveClock({ body })} />
      {problem && <FieldError>{problem.title}</FieldError>}
    </>
  );
}
