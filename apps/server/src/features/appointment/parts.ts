import { classTitle, type TimeWindow } from '@glen/core';
import type { Pennant } from '@glen/contract';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { SignUpRow } from '../../db/models/SignUp.js';
import type { Glen } from '../../glen.js';
import type { Cut } from '../signUp/sessions.js';
import { slotsOfDate } from '../slot/reseat.js';
import { signUpsFrom } from '../slot/signUpStore.js';
import { waysOfSeries, type KeptWays } from '../slot/waysStore.js';
import { datesOf, hostsOfLinks, seriesWithLinks } from './store.js';

/** One teacher's part of an evening: a session that is cut into slots, on a link of its own. */
export interface Part {
  seriesId: number;
  classId: number;
  linkId: number;
  code: string;
  /** Who sees guests there. */
  name: string;
  hostIds: number[];
  classTitle: string;
  pennant: Pennant;
  /** Why nobody is seen; null: somebody is. */
  off: string | null;
  /** The session with its slots; null where none is held. */
  cut: Cut | null;
  /** All who have signed up, wherever their slots are. */
  signUps: SignUpRow[];
}

const ALL_DAYS = '0000-01-01';

function offWhy(date: OccurrenceRow | undefined, ways: KeptWays | undefined): string | null {
  if (!date) return 'Nothing is planned any more.';
  if (date.status !== 'planned' && date.status !== 'moved') return 'Not there: it is called off.';
  return ways ? null : 'Come whenever it is open: there are no slots any more.';
}

function cutOf(
  date: OccurrenceRow | undefined,
  ways: KeptWays | undefined,
  signUps: SignUpRow[],
): Cut | null {
  if (!date || !ways) return null;
  const slots = slotsOfDate(date, ways);
  const here = signUps.filter((one) => one.key_date === date.key_date);
  return slots.length === 0 ? null : { date, ways, slots, signUps: here };
}

/** Who sees guests at each of some links, in words: whoever covers stands for whom they cover. */
async function namesOf(glen: Glen, linkIds: number[]) {
  const all = await hostsOfLinks(glen.db, linkIds);
  return (linkId: number): { name: string; hostIds: number[] } => {
    const own = all.filter((row) => row.link_id === linkId);
    const covering = own.filter((row) => row.cover);
    const names = covering.length > 0 ? covering : own;
    return {
      name: names
        .map(({ person, cover }) =>
          cover ? `${person!.name} for ${cover.absent!.name}` : person!.name,
        )
        .join(' and '),
      hostIds: own.map((row) => row.person_id),
    };
  };
}

/** The parts of an evening, by who sees guests. Those whose series is gone are left out. */
export async function partsOf(glen: Glen, seriesIds: number[]): Promise<Part[]> {
  const [series, dates, ways, signUps] = await Promise.all([
    seriesWithLinks(glen.db, seriesIds),
    datesOf(glen.db, seriesIds),
    waysOfSeries(glen.db, seriesIds),
    signUpsFrom(glen.db, seriesIds, ALL_DAYS),
  ]);
  const nameOf = await namesOf(
    glen,
    series.map((row) => row.link_id),
  );
  const parts = series.map((row): Part => {
    const { id, class_id: classId, link, classPeriod } = row;
    const date = dates.find((one) => one.series_id === id);
    const own = signUps.filter((one) => one.series_id === id);
    return {
      seriesId: id,
      classId,
      linkId: link!.id,
      code: link!.code,
      ...nameOf(link!.id),
      classTitle: classTitle(classPeriod!),
      pennant: classPeriod!.pennant,
      off: offWhy(date, ways.get(id)),
      cut: cutOf(date, ways.get(id), own),
      signUps: own,
    };
  });
  return parts.sort((a, b) => a.name.localeCompare(b.name) || a.seriesId - b.seriesId);
}

/** An appointment that somebody has. */
export interface Appointment {
  signUp: SignUpRow;
  part: Part;
  nth: number;
  slot: TimeWindow;
}

/** What somebody has of an evening, in the order of its times; what is off is left out. */
export const appointmentsOf = (parts: Part[], personId: number | undefined): Appointment[] =>
  parts
    .flatMap((part) =>
      (part.cut?.signUps ?? []).flatMap((signUp): Appointment[] => {
        const slot = signUp.nth === null ? undefined : part.cut!.slots[signUp.nth];
        return signUp.person_id === personId && slot
          ? [{ signUp, part, nth: signUp.nth!, slot }]
          : [];
      }),
    )
    .sort((a, b) => (a.slot.start < b.slot.start ? -1 : 1));
