import { classTitle, counted, dateInWords, hasMissed, plusMinutes } from '@glen/core';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { Glen } from '../../glen.js';
import { hostsOfLink } from '../desk/store.js';
import { tellEach, type Telling } from '../mail/tellEach.js';
import { namesOf } from './measureStore.js';
import type { SettledRow } from './settledStore.js';
import { classesByIds } from './store.js';
import { readWays } from './waysStore.js';
import { lastStands } from './weekStore.js';

const A_WEEK_MINUTES = 7 * 24 * 60;

/** Who of those who were absent has now missed so many lessons in a row. */
async function missing(
  glen: Glen,
  { class_id: classId, start_at: until }: OccurrenceRow,
  { rows, inRow }: { rows: Pick<SettledRow, 'personId' | 'stands'>[]; inRow: number },
): Promise<number[]> {
  const absent = rows.filter(({ stands }) => stands === 'absent').map(({ personId }) => personId);
  const last = await lastStands(glen.db, { personIds: absent, classId, until });
  return absent.filter((id) => hasMissed(last.get(id) ?? [], inRow));
}

/** Tells the hosts of a session that has just been settled who has missed several in a row; within its transaction. */
export async function tellMissed(
  glen: Glen,
  date: OccurrenceRow,
  rows: Pick<SettledRow, 'personId' | 'stands'>[],
): Promise<void> {
  const { missedInRow: inRow } = await readWays(glen.db);
  const isOld = plusMinutes(date.end_at, A_WEEK_MINUTES) < glen.clock.school();
  if (inRow === 0 || isOld) return;
  const people = await missing(glen, date, { rows, inRow });
  if (people.length === 0) return;
  const [names, [of], hosts] = await Promise.all([
    namesOf(glen.db, people),
    classesByIds(glen.db, [date.class_id]),
    hostsOfLink(glen.db, date.link_id),
  ]);
  const tellings = [...hosts].flatMap((personId) =>
    people.map((id): Telling => ({
      personId,
      once: `missed:${date.id}:${id}:${personId}`,
      letter: {
        subject: `${names.get(id)} has missed ${counted(inRow, 'lesson', 'lessons')} in a row`,
        says: [`${classTitle(of!)}, the last on ${dateInWords(date.local_date)}.`],
        link: { words: `${names.get(id)}’s term`, address: `${glen.config.publicUrl}/term/${id}` },
        why: 'You get this because you host these lessons.',
      },
    })),
  );
  await tellEach(glen, 'weeks', tellings);
}
