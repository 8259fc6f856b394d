import { useContext } from 'react';
import { WEEKDAYS, WEEKDAY_NAMES, addDays, type SchoolCalendar, type Weekday } from '@glen/core';
import { Button } from '../../ui/Button.js';
import { Cell, ChoiceCell, Editing, Part, Row } from './Cells.js';
import { Holidays } from './Holidays.js';

interface PartsProps {
  calendar: SchoolCalendar;
  change: (part: Partial<SchoolCalendar>) => void;
}

/** A list with one of its things replaced. */
const put = <T,>(list: T[], at: number, thing: Partial<T>): T[] =>
  list.map((old, i) => (i === at ? { ...old, ...thing } : old));
const drop = <T,>(list: T[], at: number): T[] => list.filter((_, i) => i !== at);

function Add({ children, onClick }: { children: string; onClick: () => void }) {
  const { mayEdit } = useContext(Editing);
  return mayEdit ? (
    <Button className="mt-2" onClick={onClick}>
      {children}
    </Button>
  ) : null;
}

export function Terms({ calendar: { terms }, change }: PartsProps) {
  const last = terms.at(-1)?.last;
  return (
    <Part title="Terms" hint="Both days count. “Until term ends” follows these by itself.">
      <ul>
        {terms.map((t, i) => (
          <Row
            key={i}
            name={t.name}
            path={`calendar.terms.${i}`}
            {...(terms.length > 1 ? { onRemove: () => change({ terms: drop(terms, i) }) } : {})}
          >
            <Cell
              label={`Name of term ${i + 1}`}
              value={t.name}
              path={`calendar.terms.${i}.name`}
              onChange={(name) => change({ terms: put(terms, i, { name }) })}
            />
            <Cell
              type="date"
              label={`First day of ${t.name}`}
              value={t.first}
              path={`calendar.terms.${i}.first`}
              onChange={(first) => change({ terms: put(terms, i, { first }) })}
            />{' '}
            to
            <Cell
              type="date"
              label={`Last day of ${t.name}`}
              value={t.last}
              path={`calendar.terms.${i}.last`}
              onChange={(value) => change({ terms: put(terms, i, { last: value }) })}
            />
          </Row>
        ))}
      </ul>
      <Add
        onClick={() =>
          change({
            terms: [
              ...terms,
              {
                name: 'Term',
                first: last ? addDays(last, 7) : '2026-09-01',
                last: last ? addDays(last, 70) : '2026-12-18',
              },
            ],
          })
        }
      >
        Another term
      </Add>
    </Part>
  );
}

const KINDS = [
  { value: 'holiday', label: 'holiday' },
  { value: 'staff', label: 'staff day' },
  { value: 'exams', label: 'examinations' },
];

export function Closures({
  calendar,
  change,
  region,
  onRegion,
}: PartsProps & { region: string | null; onRegion: (region: string) => void }) {
  const { closures } = calendar;
  const { mayEdit } = useContext(Editing);
  const byDate = closures
    .map((closure, i) => ({ closure, i }))
    .sort((a, b) => (a.closure.first < b.closure.first ? -1 : 1));
  const sorted = (list: typeof closures): typeof closures =>
    [...list].sort((a, b) => (a.first < b.first ? -1 : 1));
  return (
    <Part
      title="Closures"
      hint="Days without lessons inside a term. A series that skips closures leaves these out."
    >
      <ul>
        {byDate.map(({ closure: c, i }) => (
          <Row
            key={i}
            name={c.name}
            path={`calendar.closures.${i}`}
            onRemove={() => change({ closures: drop(closures, i) })}
          >
            <Cell
              wide
              label={`Name of closure ${i + 1}`}
              value={c.name}
              path={`calendar.closures.${i}.name`}
              onChange={(name) => change({ closures: put(closures, i, { name }) })}
            />
            <Cell
              type="date"
              label={`First day of ${c.name}`}
              value={c.first}
              path={`calendar.closures.${i}.first`}
              onChange={(first) =>
                change({
                  closures: put(closures, i, { first, ...(c.last < first ? { last: first } : {}) }),
                })
              }
            />
            {(mayEdit || c.last !== c.first) && (
              <>
                to{' '}
                <Cell
                  type="date"
                  label={`Last day of ${c.name}`}
                  value={c.last}
                  path={`calendar.closures.${i}.last`}
                  onChange={(last) => change({ closures: put(closures, i, { last }) })}
                />
              </>
            )}
            <ChoiceCell
              label={`Kind of ${c.name}`}
              value={c.kind}
              choices={KINDS}
              onChange={(kind) =>
                change({ closures: put(closures, i, { kind: kind as 'holiday' }) })
              }
            />
          </Row>
        ))}
      </ul>
      {mayEdit && (
        <div className="mt-2 flex flex-wrap gap-2">
          <Button
            onClick={() => {
              const day = calendar.terms[0]!.first;
              change({
                closures: [...closures, { name: 'Closed', first: day, last: day, kind: 'holiday' }],
              });
            }}
          >
            Another closure
          </Button>
          <Holidays
            calendar={calendar}
            region={region}
            onRegion={onRegion}
            onAdd={(added) => change({ closures: sorted([...closures, ...added]) })}
          />
        </div>
      )}
    </Part>
  );
}

export function Bells({ calendar: { bells, bellOn, bellFor, terms }, change }: PartsProps) {
  const { mayEdit } = useContext(Editing);
  const names = bells.map((set) => ({ value: set.name, label: set.name }));
  /** A set's new name goes to wherever the old one stands. */
  const rename = (i: number, name: string): void => {
    const old = bells[i]!.name;
    change({
      bells: put(bells, i, { name }),
      bellOn: Object.fromEntries(
        Object.entries(bellOn).map(([day, set]) => [day, set === old ? name : set]),
      ),
      bellFor: bellFor.map((b) => (b.bell === old ? { ...b, bell: name } : b)),
    });
  };
  const used = (name: string): boolean =>
    Object.values(bellOn).includes(name) || bellFor.some((b) => b.bell === name);
  return (
    <Part title="Bells" hint="Sessions in a bell period go by the set in force that day.">
      <div className="grid gap-5 lg:grid-cols-2">
        {bells.map((set, i) => (
          <section key={i} aria-label={`${set.name} bells`}>
            <h3 className="flex items-center gap-2 text-base">
              <Cell
                label={`Name of bell set ${i + 1}`}
                value={set.name}
                path={`calendar.bells.${i}.name`}
                onChange={(name) => rename(i, name)}
              />
              {!mayEdit && ' bells'}
              {mayEdit && !used(set.name) && (
                <Button kind="danger-link" onClick={() => change({ bells: drop(bells, i) })}>
                  Take out
                </Button>
              )}
            </h3>
            <ul>
              {set.periods.map((p, k) => (
                <Row
                  key={k}
                  name={`period ${p.label} of ${set.name}`}
                  path={`calendar.bells.${i}.periods.${k}`}
                  onRemove={() =>
                    change({ bells: put(bells, i, { periods: drop(set.periods, k) }) })
                  }
                >
                  <Cell
                    label={`Label of period ${k + 1} of ${set.name}`}
                    value={p.label}
                    path={`calendar.bells.${i}.periods.${k}.label`}
                    onChange={(label) =>
                      change({ bells: put(bells, i, { periods: put(set.periods, k, { label }) }) })
                    }
                  />
                  <Cell
                    type="time"
                    label={`Period ${p.label} of ${set.name} begins`}
                    value={p.start}
                    path={`calendar.bells.${i}.periods.${k}.start`}
                    onChange={(start) =>
                      change({ bells: put(bells, i, { periods: put(set.periods, k, { start }) }) })
                    }
                  />
                  –
                  <Cell
                    type="time"
                    label={`Period ${p.label} of ${set.name} ends`}
                    value={p.end}
                    path={`calendar.bells.${i}.periods.${k}.end`}
                    onChange={(end) =>
                      change({ bells: put(bells, i, { periods: put(set.periods, k, { end }) }) })
                    }
                  />
                </Row>
              ))}
            </ul>
            <Add
              onClick={() => {
                const end = set.periods.at(-1)?.end ?? '08:00';
                const hour = Math.min(22, Number(end.slice(0, 2)) + 1);
                change({
                  bells: put(bells, i, {
                    periods: [
                      ...set.periods,
                      {
                        label: String(set.periods.length + 1),
                        start: `${String(hour).padStart(2, '0')}:00`,
                        end: `${String(hour).padStart(2, '0')}:45`,
                      },
                    ],
                  }),
                });
              }}
            >
              Another period
            </Add>
          </section>
        ))}
      </div>
      <Add
        onClick={() =>
          change({ bells: [...bells, { ...bells[0]!, name: `Set ${bells.length + 1}` }] })
        }
      >
        Another bell set
      </Add>
      <h3 className="mt-5 text-base">On which weekday</h3>
      <p className="mt-1 flex flex-wrap gap-x-5 gap-y-2">
        {WEEKDAYS.map((day) => (
          <span key={day} className="flex items-center gap-2">
            {WEEKDAY_NAMES[day].slice(0, 3)}{' '}
            <ChoiceCell
              label={`Bells on ${WEEKDAY_NAMES[day]}s`}
              value={bellOn[day] ?? ''}
              choices={[{ value: '', label: 'no teaching' }, ...names]}
              onChange={(name) => change({ bellOn: withDay(bellOn, day, name) })}
            />
          </span>
        ))}
      </p>
      <h3 className="mt-5 text-base">Single days with other bells</h3>
      <ul>
        {bellFor.map((b, i) => (
          <Row
            key={i}
            name={`the bells of ${b.date}`}
            path={`calendar.bellFor.${i}`}
            onRemove={() => change({ bellFor: drop(bellFor, i) })}
          >
            <Cell
              type="date"
              label={`Day ${i + 1} with other bells`}
              value={b.date}
              path={`calendar.bellFor.${i}.date`}
              onChange={(date) => change({ bellFor: put(bellFor, i, { date }) })}
            />
            <ChoiceCell
              label={`Bells of day ${i + 1}`}
              value={b.bell}
              choices={names}
              onChange={(bell) => change({ bellFor: put(bellFor, i, { bell }) })}
            />
          </Row>
        ))}
      </ul>
      <Add
        onClick={() =>
          change({ bellFor: [...bellFor, { date: terms[0]!.first, bell: bells.at(-1)!.name }] })
        }
      >
        Another day
      </Add>
    </Part>
  );
}

function withDay(
  bellOn: SchoolCalendar['bellOn'],
  day: Weekday,
  name: string,
): SchoolCalendar['bellOn'] {
  const { [day]: _old, ...others } = bellOn;
  return name === '' ? others : { ...others, [day]: name };
}

export function Cycle({ calendar: { cycle, terms }, change }: PartsProps) {
  const { mayEdit } = useContext(Editing);
  if (!cycle) {
    return (
      <Part
        title="Cycle days"
        hint="Days that alternate, such as A and B, for half-classes and timetables of two weeks."
      >
        {mayEdit ? (
          <Button
            onClick={() =>
              change({
                cycle: { labels: ['A', 'B'], counts: 'teaching-days', from: terms[0]!.first },
              })
            }
          >
            Begin a cycle
          </Button>
        ) : (
          <p>None.</p>
        )}
      </Part>
    );
  }
  const set = (part: Partial<typeof cycle>): void => change({ cycle: { ...cycle, ...part } });
  return (
    <Part title="Cycle days" hint="Series can keep to some of these days only.">
      <ul>
        <Row name="the cycle" path="calendar.cycle">
          <Cell
            wide
            label="Labels, with commas"
            value={cycle.labels.join(', ')}
            path="calendar.cycle.labels"
            onChange={(text) => set({ labels: text.split(',').map((l) => l.trimStart()) })}
          />{' '}
          alternate by
          <ChoiceCell
            label="What the cycle counts"
            value={cycle.counts}
            choices={[
              { value: 'teaching-days', label: 'teaching days' },
              { value: 'weeks', label: 'weeks' },
            ]}
            onChange={(counts) => set({ counts: counts as 'weeks' })}
          />{' '}
          from
          <Cell
            type="date"
            label="First day of the cycle"
            value={cycle.from}
            path="calendar.cycle.from"
            onChange={(from) => set({ from })}
          />
        </Row>
      </ul>
    </Part>
  );
}
