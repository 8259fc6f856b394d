import {
  GlenInputError,
  plusMinutes,
  programmeInText,
  readProgramme,
  shiftProgramme,
  countsAsTold,
  wallClockAt,
  type ProgrammeItem,
} from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { Glen } from '../../glen.js';
import { notFound, stale, wrongField } from '../../http/problem.js';
import { programmeOf, writeProgramme, type OfDate } from '../programme/programmeStore.js';
import { readSchool } from '../school/store.js';
import { dateOf } from './dateStore.js';
import { scheduleTelling } from './schedule.js';

type Answered = Answer<'programme'>;

/** The items of a programme with their times. */
export const itemsAt = (items: ProgrammeItem[], start: string, zone: string) =>
  items.map(({ after, title, speaker }) => {
    const at = plusMinutes(start, after);
    return { at, time: wallClockAt(at, zone).time, title, speaker };
  });

async function mustBeDate(glen: Glen, of: OfDate): Promise<OccurrenceRow> {
  const date = await dateOf(glen.db, of);
  if (!date) throw notFound('This session');
  return date;
}

/** What comes after what in a session, for those who look after it. */
export async function describeProgramme(glen: Glen, of: OfDate): Promise<Answered> {
  const date = await mustBeDate(glen, of);
  const kept = await programmeOf(glen.db, of);
  const { zone } = (await readSchool(glen.db)).calendar;
  const items = kept?.items ?? [];
  return {
    ...of,
    title: date.title,
    classId: date.class_id,
    linkId: date.link_id,
    date: date.local_date,
    time: date.local_time,
    minutes: date.minutes,
    start: date.start_at,
    end: date.end_at,
    version: kept?.version ?? null,
    text: programmeInText(items, date.local_time),
    word: kept?.word ?? '',
    items: itemsAt(items, date.start_at, zone),
  };
}

/** What its hosts say of a session: what comes after what, and a word at the door. */
interface Said {
  items: ProgrammeItem[];
  word: string;
}

interface Changing {
  of: OfDate;
  by: number;
  version: number | null;
  action: 'set-programme' | 'shift-programme';
}

/** Changes a programme that still has the version that was read, and has those inside told by it. */
async function changeProgramme(
  glen: Glen,
  { of, by, version, action }: Changing,
  change: (kept: Said, date: OccurrenceRow) => Said,
): Promise<Answered> {
  await glen.db.transaction(async () => {
    const date = await mustBeDate(glen, of);
    const kept = await programmeOf(glen.db, of, { isHeld: true });
    if ((kept?.version ?? null) !== version) throw stale(await describeProgramme(glen, of));
    const before: Said = { items: kept?.items ?? [], word: kept?.word ?? '' };
    const said = change(before, date);
    const told = countsAsTold(said.items, date.start_at, glen.clock.school());
    await writeProgramme(glen.db, of, { ...said, told, kept });
    await glen.audit({
      by,
      action,
      subject: `programme:${of.seriesId}:${of.key}`,
      before,
      after: said,
    });
    await scheduleTelling(glen, of);
    await glen.announce(`door:${date.link_id}`, { thing: 'door', id: date.link_id });
    await glen.announce(`class:${date.class_id}`, { thing: 'desk', id: date.link_id });
  });
  glen.nudge();
  return describeProgramme(glen, of);
}

/** Says it anew, a line each; empty: there is none any more. */
export const setProgramme = (
  glen: Glen,
  seriesId: number,
  by: number,
  { key, version, text, word }: Body<'setProgramme'>,
): Promise<Answered> =>
  changeProgramme(
    glen,
    { of: { seriesId, key }, by, version, action: 'set-programme' },
    (_, { local_time: time, minutes }) => {
      const { items, unread } = readProgramme(text, { time, minutes });
      const [first] = unread;
      if (first) throw wrongField('text', `Line ${first.line}, “${first.text}”: ${first.why}`);
      return { items, word };
    },
  );

/** One press has the rest of it begin later, or sooner. */
export const shiftRest = (
  glen: Glen,
  seriesId: number,
  by: number,
  { key, version, from, by: minutes }: Body<'shiftProgramme'>,
): Promise<Answered> =>
  changeProgramme(
    glen,
    { of: { seriesId, key }, by, version, action: 'shift-programme' },
    ({ items, word }, date) => {
      try {
        const shift = { from, by: minutes, minutes: date.minutes };
        return { items: shiftProgramme(items, shift), word };
      } catch (error) {
        if (error instanceof GlenInputError) throw wrongField(error.path, error.message);
        throw error;
      }
    },
  );
