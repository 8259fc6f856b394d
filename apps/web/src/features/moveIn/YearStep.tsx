import { Trash2 } from 'lucide-react';
import { useEffect, type ReactNode } from 'react';
import { addDays, weekdayOf, dayNumber } from '@glen/core';
import { dateInWords } from '@glen/core/light';
import { api } from '../../app/api.js';
import { useServerForm, wrongAt } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { DateField } from '../../ui/DateField.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import { BellPattern } from './BellPattern.js';
import type { YearDraft } from './firstDraft.js';
import type { MovingIn } from './useMoveInDraft.js';
import { yearOfDraft, type WrongField } from './yearOfDraft.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

interface PartProps {
  title: string;
  error: string | undefined;
  children: ReactNode;
}

const Part = ({ title, error, children }: PartProps) => (
  <section aria-label={title}>
    <h2 className="mb-1 text-base">{title}</h2>
    {children}
    {error && <FieldError>{error}</FieldError>}
  </section>
);

/** What another term begins after where none has an end yet. */
const NO_TERM = '2026-08-31';

interface YearProps {
  year: YearDraft;
  change: (part: Partial<YearDraft>) => void;
}

interface TermProps {
  term: YearDraft['terms'][number];
  at: number;
  wrong: string | undefined;
  set: (part: Partial<YearDraft['terms'][number]>) => void;
}

function TermDays({ term, at, wrong, set }: TermProps) {
  return (
    <Said
      as={say.firstToLast}
      first={
        <DateField
          aria-label={fill(say.firstDayOfTerm, { i: at + 1 })}
          dress="part"
          value={term.first}
          invalid={wrong === `terms.${at}.first`}
          onChange={(first) => set({ first })}
        />
      }
      last={
        <DateField
          aria-label={fill(say.lastDayOfTerm, { i: at + 1 })}
          dress="part"
          value={term.last}
          invalid={wrong === `terms.${at}.last`}
          onChange={(last) => set({ last })}
        />
      }
    />
  );
}

function Terms({ year: { terms }, change, wrong }: YearProps & { wrong: string | undefined }) {
  const set = (at: number, part: Partial<YearDraft['terms'][number]>): void =>
    change({ terms: terms.map((t, i) => (i === at ? { ...t, ...part } : t)) });
  const add = (): void => {
    const last = terms.findLast((term) => term.last !== '')?.last ?? NO_TERM;
    change({
      terms: [...terms, { name: say.term, first: addDays(last, 14), last: addDays(last, 84) }],
    });
  };
  return (
    <>
      <ul>
        {terms.map((term, i) => (
          <li key={i} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1">
            <input
              aria-label={fill(say.nameOfTerm, { i: i + 1 })}
              className={`${inputClass} !w-36 !py-1`}
              maxLength={80}
              value={term.name}
              onChange={(e) => set(i, { name: e.target.value })}
            />
            <TermDays term={term} at={i} wrong={wrong} set={(part) => set(i, part)} />
            {terms.length > 1 && (
              <button
                type="button"
                aria-label={fill(say.takeOutTerm, { i: i + 1 })}
                className="rounded-small p-1.5 text-soft hover:text-berry-deep"
                onClick={() => change({ terms: terms.filter((_, k) => k !== i) })}
              >
                <Trash2 size={16} aria-hidden="true" />
              </button>
            )}
          </li>
        ))}
      </ul>
      <Button kind="link" onClick={add}>
        {say.anotherTerm}
      </Button>
    </>
  );
}

type Holiday = YearDraft['holidays'][number];

/** Only a holiday on a school day of a term takes a lesson away. */
function matters({ date }: Holiday, terms: YearDraft['terms']): boolean {
  const day = weekdayOf(dayNumber(date, 'date'));
  return day !== 'SA' && day !== 'SU' && terms.some((t) => t.first <= date && date <= t.last);
}

interface HolidayProps extends YearProps {
  token: string;
  region: string;
}

function Holidays({ token, region, year, change }: HolidayProps) {
  const { terms, holidays } = year;
  const [first, last] = [terms[0]!.first, terms.at(-1)!.last];
  const { data } = api.useMoveInHolidaysQuery(
    { params: { token }, query: { region, first, last } },
    { skip: region === '' || last < first },
  );
  const offered = (data?.holidays ?? []).filter((h) => matters(h, terms));
  // A region's holidays are all taken, until somebody leaves one out; those of another region go.
  const isNew = year.holidaysOf !== region && (region === '' || data !== undefined);
  useEffect(() => {
    if (isNew) change({ holidaysOf: region, holidays: offered });
  });
  if (region === '') return <p className="text-soft">{say.noRegionIsChosenThey}</p>;
  if (!data) return <p className="text-soft">{say.lookingThemUpDots}</p>;
  if (offered.length === 0) return <p className="text-soft">{say.noneFallsOnASchool}</p>;
  const isTaken = (h: Holiday): boolean => holidays.some((other) => other.date === h.date);
  const toggle = (h: Holiday): void =>
    change({
      holidays: isTaken(h) ? holidays.filter((o) => o.date !== h.date) : [...holidays, h],
    });
  return (
    <ul className="grid gap-x-6 sm:grid-cols-2">
      {offered.map((h) => (
        <li key={`${h.date} ${h.name}`}>
          <label className="flex items-baseline gap-2.5 py-0.5">
            <input
              type="checkbox"
              className="accent-bracken"
              checked={isTaken(h)}
              onChange={() => toggle(h)}
            />
            {h.name}, {dateInWords(h.date)}
          </label>
        </li>
      ))}
    </ul>
  );
}

interface StepProps {
  token: string;
  moving: MovingIn;
  onNext: () => void;
}

/** What is wrong with a part of the year, if it is that part. */
const errorAt = (wrong: WrongField | undefined, part: string): string | undefined =>
  wrong?.path.startsWith(part) ? wrong.message : undefined;

/** Page 2: the school year. As it is proposed, it will do to begin with. */
export function YearStep({ token, moving, onNext }: StepProps) {
  const { year, school } = moving.draft;
  const change = (part: Partial<YearDraft>): void => moving.change('year', part);
  const found = yearOfDraft(moving.draft);
  const wrong = 'wrong' in found ? found.wrong : undefined;
  const wrongBell = wrong?.path.startsWith('bells.') ? wrong.path.slice(6) : undefined;
  // What is wrong is said at every keystroke, and nothing is sent while anything is.
  const { submit } = useServerForm<YearDraft, unknown, void>({
    start: year,
    send: () => Promise.resolve(wrong ? { error: wrongAt(wrong.path, wrong.message) } : {}),
    onDone: onNext,
  });
  const timetable = (
    <>
      <Part title={say.bells} error={errorAt(wrong, 'bells')}>
        <BellPattern bells={year.bells} wrong={wrongBell} onChange={(bells) => change({ bells })} />
      </Part>
      <Part title={say.alternatingDays} error={errorAt(wrong, 'cycle')}>
        <input
          aria-label={say.labelsOfAlternatingDays}
          className={`${inputClass} !w-56`}
          placeholder={say.noneOrAB}
          maxLength={200}
          value={year.cycle}
          onChange={(e) => change({ cycle: e.target.value })}
        />
      </Part>
    </>
  );
  return (
    <form className="grid gap-6" noValidate onSubmit={submit}>
      <p className="text-soft">{say.thisIsLikelyChangeWhat}</p>
      <Part title={say.terms} error={errorAt(wrong, 'terms')}>
        <Terms year={year} change={change} wrong={wrong?.path} />
      </Part>
      <Part title={say.publicHolidaysThatAreClosed} error={errorAt(wrong, 'closures')}>
        <Holidays token={token} region={school.region} year={year} change={change} />
      </Part>
      {school.alone && year.bells === null && year.cycle === '' ? (
        <details>
          <summary className="cursor-pointer">{say.bellsAndAlternatingDays}</summary>
          <div className="mt-3 grid gap-6">{timetable}</div>
        </details>
      ) : (
        timetable
      )}
      <p>
        <Button type="submit" kind="act" disabled={wrong !== undefined}>
          {say.nextYou}
        </Button>
      </p>
    </form>
  );
}
