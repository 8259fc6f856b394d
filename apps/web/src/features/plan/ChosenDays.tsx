import { useState } from 'react';
import { addDays, dateInWords } from '@glen/core';
import type { Problem } from '@glen/contract';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { daysInWords, type Change } from './chosen.js';
import { ReasonField, cancelFor } from './ReasonField.js';
import type { Notch } from './strip/layout.js';
import type { StripSeries } from './strip/inWords.js';
import { fill, many } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

interface ChosenDaysProps {
  from: string;
  to: string;
  notches: Notch[];
  series: Map<number, StripSeries>;
  send: (changes: Change[], label: string) => Promise<Problem | undefined>;
  onClose: () => void;
}

const countInWords = (n: number): string => many(say.sessions, n);

/** How many days a text says, up to a year or two either way; 0 where it says none. */
const daysTyped = (text: string): number => (/^[+-]?\d{1,3}$/.test(text.trim()) ? Number(text) : 0);

function MoveBy({ what, move }: { what: string; move: (days: number) => Promise<void> }) {
  const { register, watch, submit } = useServerForm<{ days: string }, { days: string }, void>({
    start: { days: '7' },
    send: async ({ days }) => {
      await move(daysTyped(days));
      return {};
    },
    onDone: () => {},
  });
  return (
    <form className="flex items-center gap-2" noValidate onSubmit={submit}>
      <Button type="submit" disabled={daysTyped(watch('days')) === 0}>
        {fill(say.moveWhat, { what })}
      </Button>{' '}
      <Said
        as={say.byDaysMoveDays}
        daysMove={
          <input
            inputMode="numeric"
            aria-label={say.daysToMoveThemBy}
            className="w-14 rounded-small border border-edge bg-sheet px-2 py-1"
            {...register('days')}
          />
        }
      />
    </form>
  );
}

/** What can be done with all of them at once. */
function useChangeAll({ from, to, notches, series, send, onClose }: ChosenDaysProps) {
  const [problem, setProblem] = useState<Problem>();
  const [reason, setReason] = useState('');
  const held = notches.filter((n) => n.status !== 'cancelled');
  const cancelled = notches.filter((n) => n.status === 'cancelled');
  const range = daysInWords(from, to);
  const heldWords = countInWords(held.length);
  const cancelledWords = countInWords(cancelled.length);

  const changeAll = async (
    of: Notch[],
    change: (n: Notch) => Change['change'],
    label: string,
  ): Promise<void> => {
    const changes = of.map((n) => ({
      seriesId: n.seriesId,
      version: series.get(n.seriesId)!.version,
      key: n.key,
      scope: 'one' as const,
      change: change(n),
    }));
    const failure = await send(changes, label);
    setProblem(failure);
    if (!failure) onClose();
  };
  const move = (days: number): Promise<void> =>
    changeAll(
      held,
      (n) => ({ kind: 'move', date: addDays(n.date, days) }),
      fill(say.movedByDays, { days, heldWords, range }),
    );
  const cancel = (): void =>
    void changeAll(
      held,
      () => cancelFor(reason),
      fill(say.cancelledHeldWordsRange, { heldWords, range }),
    );
  const restore = (): void =>
    void changeAll(
      cancelled,
      () => ({ kind: 'restore' }),
      fill(say.heldAfterAll, { cancelledWords, range }),
    );

  const words = { range, heldWords, cancelledWords };
  return { held, cancelled, ...words, problem, reason, setReason, move, cancel, restore };
}

function titleInWords({ status, title }: Notch, ofSeries: string): string {
  const said = title ?? ofSeries;
  return status === 'cancelled' ? fill(say.sessionCancelled, { title: said }) : said;
}

/** What a press of one of the buttons is about: one by one, in the order of their days. */
function Swept({ notches, series }: Pick<ChosenDaysProps, 'notches' | 'series'>) {
  if (notches.length === 0) return null;
  const inOrder = [...notches].sort((a, b) => (a.start < b.start ? -1 : 1));
  return (
    <ul
      aria-label={say.whatTheChosenDaysHold}
      className="mt-2 max-h-40 columns-[17rem] gap-x-8 overflow-y-auto text-md text-soft"
    >
      {inOrder.map((n) => (
        <li key={n.id} className="break-inside-avoid">
          {dateInWords(n.date)} <span className="font-mono text-sm">{n.time}</span>{' '}
          {titleInWords(n, series.get(n.seriesId)?.title ?? '')}
        </li>
      ))}
    </ul>
  );
}

/** All sessions of some days, to be acted on together. */
export function ChosenDays(props: ChosenDaysProps) {
  const { notches, onClose } = props;
  const { held, cancelled, range, heldWords, cancelledWords, problem, ...all } =
    useChangeAll(props);
  return (
    <section
      aria-label={say.theChosenDays}
      className="rounded-big border border-line bg-sheet p-4.5 shadow-soft"
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h2 className="min-w-0 flex-1 text-lg">
          {range}: {notches.length === 0 ? say.nothingOfYoursIsAhead : heldWords}
        </h2>
        {held.length > 0 && <MoveBy what={heldWords} move={all.move} />}
        {held.length > 0 && (
          <span className="flex items-center gap-2">
            <Button kind="danger" onClick={all.cancel}>
              {fill(say.cancelHeldWords, { heldWords })}
            </Button>
            <ReasonField reason={all.reason} onChange={all.setReason} />
          </span>
        )}
        {cancelled.length > 0 && (
          <Button onClick={all.restore}>{fill(say.holdAfterAll, { cancelledWords })}</Button>
        )}
        <Button kind="link" onClick={onClose}>
          {say.close}
        </Button>
      </div>
      <Swept notches={notches} series={props.series} />
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
    </section>
  );
}
