import { useContext, useState } from 'react';
import { WEEKDAYS, WEEKDAY_NAMES, type SchoolCalendar, type Weekday } from '@glen/core';
import { Button } from '../../ui/Button.js';
import { Add } from './Add.js';
import { BellSet } from './BellSet.js';
import { Cell, ChoiceCell, Editing, Part, Row } from './Cells.js';
import { useAlone } from './useAlone.js';
import { drop, put, type CalendarPartProps } from './calendarLists.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type BellOn = SchoolCalendar['bellOn'];

/** Which bells ring on a weekday, with one changed; no name: no teaching. */
function withDay(bellOn: BellOn, day: Weekday, name: string): BellOn {
  const { [day]: _old, ...others } = bellOn;
  return name === '' ? others : { ...others, [day]: name };
}

/** A set's new name goes to wherever the old one stands. */
function renamed(
  { bells, bellOn, bellFor }: SchoolCalendar,
  at: number,
  name: string,
): Pick<SchoolCalendar, 'bells' | 'bellOn' | 'bellFor'> {
  const old = bells[at]!.name;
  const follow = (bell: string): string => (bell === old ? name : bell);
  return {
    bells: put(bells, at, { name }),
    bellOn: Object.fromEntries(Object.entries(bellOn).map(([day, bell]) => [day, follow(bell)])),
    bellFor: bellFor.map((b) => ({ ...b, bell: follow(b.bell) })),
  };
}

function BellSets({ calendar, change }: CalendarPartProps) {
  const { bells, bellOn, bellFor } = calendar;
  const isUnused = (name: string): boolean =>
    !Object.values(bellOn).includes(name) && !bellFor.some((b) => b.bell === name);
  const another = (): void =>
    change({
      bells: [
        ...bells,
        { ...bells[0]!, name: fill(say.setBellsCount, { bellsCount: bells.length + 1 }) },
      ],
    });
  return (
    <>
      <div className="grid gap-5 lg:grid-cols-2">
        {bells.map((set, i) => (
          <BellSet
            key={i}
            set={set}
            at={i}
            isUnused={isUnused(set.name)}
            onRename={(name) => change(renamed(calendar, i, name))}
            onPeriods={(periods) => change({ bells: put(bells, i, { periods }) })}
            onRemove={() => change({ bells: drop(bells, i) })}
          />
        ))}
      </div>
      <Add onClick={another}>{say.anotherBellSet}</Add>
    </>
  );
}

interface Choice {
  value: string;
  label: string;
}

const OnWeekdays = ({
  calendar: { bellOn },
  change,
  sets,
}: CalendarPartProps & { sets: Choice[] }) => (
  <>
    <h3 className="mt-5 text-base">{say.onWhichWeekday}</h3>
    <p className="mt-1 flex flex-wrap gap-x-5 gap-y-2">
      {WEEKDAYS.map((day) => (
        <span key={day} className="flex items-center gap-2">
          {WEEKDAY_NAMES[day].slice(0, 3)}{' '}
          <ChoiceCell
            label={fill(say.bellsOnS, { weekdayName: WEEKDAY_NAMES[day] })}
            value={bellOn[day] ?? ''}
            choices={[{ value: '', label: say.noTeaching }, ...sets]}
            onChange={(name) => change({ bellOn: withDay(bellOn, day, name) })}
          />
        </span>
      ))}
    </p>
  </>
);

function OnSingleDays({
  calendar: { bells, bellFor, terms },
  change,
  sets,
}: CalendarPartProps & { sets: Choice[] }) {
  const another = (): void =>
    change({ bellFor: [...bellFor, { date: terms[0]!.first, bell: bells.at(-1)!.name }] });
  return (
    <>
      <h3 className="mt-5 text-base">{say.singleDaysWithOtherBells}</h3>
      <ul>
        {bellFor.map(({ date, bell }, i) => (
          <Row
            key={i}
            name={`the bells of ${date}`}
            path={`calendar.bellFor.${i}`}
            onRemove={() => change({ bellFor: drop(bellFor, i) })}
          >
            <Cell
              type="date"
              label={fill(say.dayWithOtherBells, { i: i + 1 })}
              value={date}
              path={`calendar.bellFor.${i}.date`}
              onChange={(value) => change({ bellFor: put(bellFor, i, { date: value }) })}
            />
            <ChoiceCell
              label={fill(say.bellsOfDay, { i: i + 1 })}
              value={bell}
              choices={sets}
              onChange={(value) => change({ bellFor: put(bellFor, i, { bell: value }) })}
            />
          </Row>
        ))}
      </ul>
      <Add onClick={another}>{say.anotherDay}</Add>
    </>
  );
}

/** The bells of the school: its sets, and on which days each of them rings. */
export function Bells({ calendar, change }: CalendarPartProps) {
  const [isWanted, setWanted] = useState(false);
  const alone = useAlone();
  const { mayEdit } = useContext(Editing);
  const hasBells = calendar.bells.some((set) => set.periods.length > 0);
  if (alone && !hasBells && !isWanted)
    return mayEdit ? (
      <p>
        <Button kind="link" onClick={() => setWanted(true)}>
          {say.teachByBells}
        </Button>
      </p>
    ) : null;
  const sets = calendar.bells.map(({ name }) => ({ value: name, label: name }));
  return (
    <Part title={say.bells} hint={say.sessionsInABellPeriod}>
      <BellSets calendar={calendar} change={change} />
      <OnWeekdays calendar={calendar} change={change} sets={sets} />
      <OnSingleDays calendar={calendar} change={change} sets={sets} />
    </Part>
  );
}
