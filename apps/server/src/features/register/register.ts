import { addDays, registerInWords } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound } from '../../http/problem.js';
import { countedRegister, type CountedRegister } from './counted.js';
import { personOfKey } from './measure.js';
import { readableBy } from './readable.js';
import { signsAt, type SignsGiven } from './signs.js';
import { readWays } from './waysStore.js';
import { dateWithSitting } from './store.js';

type Register = Answer<'register'>;
type Row = Register['rows'][number];

/** Guests of whom no more is kept than how many they were. */
function guestsForgotten({ settled, rows }: CountedRegister) {
  const known = rows.filter((row) => row.stands === 'guest').length;
  const forgotten = Math.max(0, (settled?.guests ?? 0) - known);
  return Array.from({ length: forgotten }, () => ({
    stands: 'guest' as const,
    late: false,
    leftEarly: false,
  }));
}

function rowsOf(register: CountedRegister, signs: SignsGiven): Row[] {
  return register.rows.map(({ person, correction: _, excuse, ...row }) => {
    const said = register.corrections.get(person);
    return {
      key: person,
      personId: personOfKey(person),
      name: register.names.get(person) ?? '',
      ...row,
      correction: said
        ? {
            status: said.status,
            reason: said.reason,
            by: said.maker?.name ?? null,
            at: said.made_at,
            version: said.version,
          }
        : null,
      excuse: excuse?.reason ?? null,
      checkedIn: signs.byKey.get(person) ?? [],
    };
  });
}

/** A register in a line. Where nobody opened the door, and nobody says of anybody that they were there, nobody was absent. */
function inWords({ sitting, status }: OccurrenceRow, register: CountedRegister): string {
  const wasHeld = sitting?.opened_at != null || register.corrections.size > 0;
  if (wasHeld) return registerInWords([...register.rows, ...guestsForgotten(register)]);
  return status === 'cancelled' || status === 'skipped'
    ? 'It was not held'
    : 'Nobody opened its door';
}

/** When a session is, and what of its door is known. */
function ofSession(glen: Glen, date: OccurrenceRow, keptDays: number) {
  const { sitting, start_at: start, end_at: end } = date;
  return {
    seriesId: date.series_id,
    key: date.key_date,
    classId: date.class_id,
    title: date.title,
    date: date.local_date,
    time: date.local_time,
    minutes: date.minutes,
    start,
    end,
    isOver: glen.clock.school() >= end,
    isOff: date.status === 'cancelled' || date.status === 'skipped',
    wasOpened: sitting?.opened_at != null,
    // A pasted room cannot be looked into: only who came through the door is known.
    seesRoom: sitting?.room_address == null,
    keptUntil: addDays(date.local_date, keptDays),
  };
}

/** The register of one date: who of those it was for was in, when, and who else came. */
export async function describeRegister(
  glen: Glen,
  { seriesId, key }: { seriesId: number; key: string },
  mayEdit: boolean,
): Promise<Register> {
  const date = await dateWithSitting(glen.db, seriesId, key);
  if (!date) throw notFound('This session');
  const [register, ways] = await Promise.all([countedRegister(glen, date), readWays(glen.db)]);
  const signs = await signsAt(glen.db, date.sitting?.id ?? null);
  const { settled } = register;
  return {
    ...ofSession(glen, date, ways.keptDays),
    inWords: inWords(date, register),
    settled: settled && { at: settled.at, by: settled.by },
    mayEdit,
    questions: signs.questions,
    rows: rowsOf(register, signs),
  };
}

interface Reader {
  personId: number;
  mayEdit: boolean;
}

/** The same for somebody who reads it. Throws where the session is private to others. */
export async function readRegister(
  glen: Glen,
  of: { seriesId: number; key: string },
  { personId, mayEdit }: Reader,
): Promise<Register> {
  const date = await dateWithSitting(glen.db, of.seriesId, of.key);
  if (!date) throw notFound('This session');
  const { link_id, layers } = date;
  const [seen] = mayEdit ? [date] : await readableBy(glen.db, [{ link_id, layers }], personId);
  if (!seen) throw new HttpProblem(403, 'This session is a matter of those whom it is for.');
  return describeRegister(glen, of, mayEdit);
}
