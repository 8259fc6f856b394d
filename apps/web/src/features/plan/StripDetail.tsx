import { useState } from 'react';
import { Link } from 'react-router';
import { addDays, addMinutes, classTitle, dateInWords, type EditScope } from '@glen/core';
import type { ClassItem, Problem, Sent } from '@glen/contract';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/SentencePart.js';
import { Pennant } from '../../ui/Pennant.js';
import type { Notch } from './strip/layout.js';
import { stateOf, type StripSeries } from './strip/words.js';
import { mayEdit } from '../school/mayEdit.js';

type Changes = Sent<'changeSessions'>['changes'];
type Send = (changes: Changes, label: string) => Promise<Problem | undefined>;

const SCOPES: { value: EditScope; label: string }[] = [
  { value: 'one', label: 'only this one' },
  { value: 'onwards', label: 'this one and all later ones' },
  { value: 'whole', label: 'the whole series' },
];

/** What is known of a chosen session, and what can be done with it or with its series. */
export function StripDetail({
  notch,
  series,
  of,
  now,
  send,
  onClose,
}: {
  notch: Notch;
  series: StripSeries;
  of: ClassItem;
  now: string;
  send: Send;
  onClose: () => void;
}) {
  const [scope, setScope] = useState<EditScope>('one');
  const [title, setTitle] = useState(notch.title ?? series.title);
  const [renaming, setRenaming] = useState(false);
  const [problem, setProblem] = useState<Problem>();
  const may = mayEdit(of);
  const isAhead = notch.end > now;
  const which =
    scope === 'one'
      ? dateInWords(notch.date)
      : scope === 'whole'
        ? 'the whole series'
        : `from ${dateInWords(notch.date)} on`;
  const run = async (change: Changes[number]['change'], label: string): Promise<void> => {
    const failure = await send(
      [{ seriesId: series.id, version: series.version, key: notch.key, scope, change }],
      label,
    );
    setProblem(failure);
    if (!failure) onClose();
  };
  return (
    <section
      aria-label="The chosen session"
      className="rounded-big border border-line bg-sheet p-4.5 shadow-soft"
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <Pennant pennant={of.pennant} />
        <div className="min-w-0 flex-1">
          <h2 className="text-lg">{notch.title ?? series.title}</h2>
          <p className="text-[15px] text-soft">
            {dateInWords(notch.date, 'with-year')}, {notch.time}–
            {addMinutes(notch.time, notch.minutes)} · {stateOf(notch, series, now)} ·{' '}
            {classTitle(of)}
            {series.repeats ? ` · ${series.words}` : ''}
          </p>
        </div>
        <Button kind="link" onClick={onClose}>
          Close
        </Button>
      </div>
      {may ? (
        <div className="mt-3 flex flex-wrap items-center gap-2.5">
          {series.repeats && (
            <>
              With{' '}
              <ChoicePart
                label="Which of them"
                value={scope}
                onChange={(value) => setScope(value as EditScope)}
                choices={SCOPES}
              />
              :
            </>
          )}
          <Link className={buttonClass()} to={`/plan/${series.id}?on=${notch.key}`}>
            Change…
          </Link>
          {renaming ? (
            <form
              className="flex gap-2"
              onSubmit={(e) => {
                e.preventDefault();
                void run({ kind: 'set', title }, `Retitled: ${title}`);
              }}
            >
              <input
                autoFocus
                aria-label="New title"
                className="rounded-small border border-edge bg-sheet px-2.5 py-1"
                value={title}
                onChange={(e) => setTitle(e.target.value)}
              />
              <Button type="submit" kind="strong">
                Retitle
              </Button>
            </form>
          ) : (
            <Button onClick={() => setRenaming(true)}>Retitle</Button>
          )}
          {notch.status === 'cancelled' ? (
            <Button
              onClick={() =>
                void run({ kind: 'restore' }, `Held after all: ${series.title}, ${which}`)
              }
            >
              Hold it after all
            </Button>
          ) : (
            isAhead && (
              <Button
                kind="danger"
                onClick={() => void run({ kind: 'cancel' }, `Cancelled: ${series.title}, ${which}`)}
              >
                {scope === 'one'
                  ? 'Cancel it'
                  : scope === 'whole'
                    ? 'Cancel all that are ahead'
                    : 'Cancel these'}
              </Button>
            )
          )}
          {notch.was && notch.status !== 'cancelled' && scope === 'one' && (
            <Button
              onClick={() =>
                void run({ kind: 'restore' }, `Back where it was: ${series.title}, ${which}`)
              }
            >
              Put it back
            </Button>
          )}
          {isAhead && notch.status !== 'cancelled' && (
            <p className="text-sm text-soft">Drag it to another day, or press m and the arrows.</p>
          )}
        </div>
      ) : (
        <p className="mt-2 text-[15px] text-soft">Its hosts can change it.</p>
      )}
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
    </section>
  );
}

/** All sessions of some days, to be acted on together. */
export function SweptDetail({
  from,
  to,
  notches,
  series,
  send,
  onClose,
}: {
  from: string;
  to: string;
  notches: Notch[];
  series: Map<number, StripSeries>;
  send: Send;
  onClose: () => void;
}) {
  const [problem, setProblem] = useState<Problem>();
  const range = from === to ? dateInWords(from) : `${dateInWords(from)} to ${dateInWords(to)}`;
  const [days, setDays] = useState('7');
  const by = /^[+-]?\d{1,3}$/.test(days.trim()) ? Number(days) : 0;
  const all = async (
    of: Notch[],
    change: (n: Notch) => Changes[number]['change'],
    label: string,
  ): Promise<void> => {
    const failure = await send(
      of.map((n) => ({
        seriesId: n.seriesId,
        version: series.get(n.seriesId)!.version,
        key: n.key,
        scope: 'one',
        change: change(n),
      })),
      label,
    );
    setProblem(failure);
    if (!failure) onClose();
  };
  const held = notches.filter((n) => n.status !== 'cancelled');
  const cancelled = notches.filter((n) => n.status === 'cancelled');
  const count = (n: number): string => (n === 1 ? '1 session' : `${n} sessions`);
  return (
    <section
      aria-label="The chosen days"
      className="rounded-big border border-line bg-sheet p-4.5 shadow-soft"
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h2 className="min-w-0 flex-1 text-lg">
          {range}: {notches.length === 0 ? 'nothing of yours is ahead' : count(held.length)}
        </h2>
        {held.length > 0 && (
          <form
            className="flex items-center gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              void all(
                held,
                (n) => ({ kind: 'move', date: addDays(n.date, by) }),
                `Moved by ${by} days: ${count(held.length)}, ${range}`,
              );
            }}
          >
            <Button type="submit" disabled={by === 0}>
              Move {count(held.length)}
            </Button>{' '}
            by{' '}
            <input
              inputMode="numeric"
              aria-label="Days to move them by"
              className="w-14 rounded-small border border-edge bg-sheet px-2 py-1"
              value={days}
              onChange={(e) => setDays(e.target.value)}
            />{' '}
            days
          </form>
        )}
        {held.length > 0 && (
          <Button
            kind="danger"
            onClick={() =>
              void all(
                held,
                () => ({ kind: 'cancel' }),
                `Cancelled: ${count(held.length)}, ${range}`,
              )
            }
          >
            Cancel {count(held.length)}
          </Button>
        )}
        {cancelled.length > 0 && (
          <Button
            onClick={() =>
              void all(
                cancelled,
                () => ({ kind: 'restore' }),
                `Held after all: ${count(cancelled.length)}, ${range}`,
              )
            }
          >
            Hold {count(cancelled.length)} after all
          </Button>
        )}
        <Button kind="link" onClick={onClose}>
          Close
        </Button>
      </div>
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
    </section>
  );
}
