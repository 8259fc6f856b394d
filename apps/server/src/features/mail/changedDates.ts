import { classTitle, isUrgent, newsInWords, newsOfDate, standingOf } from '@glen/core';
import type { Glen } from '../../glen.js';
import type { Follower } from '../live/announcements.js';
import { insertNotice, readSchool } from '../school/store.js';
import {
  calledOf,
  changedAhead,
  lastChangers,
  toldByCalendar,
  writeToldDate,
  type AheadDate,
} from './changedDateStore.js';
import { meantAt } from './meantStore.js';

/** Has those who come to a class period's sessions hear of what has become of them, a while after it changed. */
export const datesFollow =
  (glen: Glen): Follower =>
  async ({ thing, id }) => {
    if (thing !== 'class') return;
    // Five edits of one hand are one thing to hear of, and what is taken back meanwhile is nothing.
    const waiting = { waitSeconds: glen.config.gatherSeconds, sooner: true };
    await glen.enqueue({ kind: 'gather', subject: `class:${id}`, ...waiting });
  };

/** What is new of each date of a class period, noted as told. */
export async function noteNews(
  glen: Glen,
  classId: number,
): Promise<{ date: AheadDate; says: string }[]> {
  const news: { date: AheadDate; says: string }[] = [];
  for (const date of await changedAhead(glen.db, classId, glen.clock.school())) {
    const says = newsOfDate(date, date.toldLast);
    if (says === null) continue;
    await writeToldDate(glen.db, date, standingOf(date));
    news.push({ date, says });
  }
  return news;
}

/** What somebody hears. */
interface Heard {
  says: string[];
  isUrgent: boolean;
  /** It comes to them with what stands in their calendar, so that no other letter is due. */
  isWritten: boolean;
}

/** Who hears of what: everybody who comes to a date, its hosts too where another of them changed it. */
async function newsByPerson(
  glen: Glen,
  news: { date: AheadDate; says: string }[],
): Promise<Map<number, Heard>> {
  const byPerson = new Map<number, Heard>();
  const { zone } = (await readSchool(glen.db)).calendar;
  const now = glen.clock.school();
  const changers = await lastChangers(glen.db, [...new Set(news.map(({ date }) => date.seriesId))]);
  const isSoon = (date: AheadDate): boolean => isUrgent({ now, zone }, date, date.changed?.was);
  for (const { date, says } of news) {
    const written = await toldByCalendar(glen.db, date);
    const changer = changers.get(date.seriesId);
    for (const { personId, hosts, email } of await meantAt(glen.db, date)) {
      if (hosts && (changer === undefined || changer === personId)) continue;
      const known = byPerson.get(personId) ?? { says: [], isUrgent: false, isWritten: true };
      const isWritten = known.isWritten && email !== null && written.has(email);
      byPerson.set(personId, {
        says: [...known.says, says],
        isUrgent: known.isUrgent || isSoon(date),
        isWritten,
      });
    }
  }
  return byPerson;
}

/** Tells those who come to a class period's sessions what has become of them since they were told last, in one word each. */
export async function gatherDates(glen: Glen, classId: number): Promise<void> {
  await glen.db.transaction(async () => {
    const called = await calledOf(glen.db, classId);
    const news = await noteNews(glen, classId);
    if (!called || news.length === 0) return;
    for (const [personId, { says, isUrgent: urgent, isWritten }] of await newsByPerson(
      glen,
      news,
    )) {
      const word = newsInWords(says, classTitle(called));
      const notice = { personId, ...word, madeAt: glen.clock.school(), mailed: isWritten, urgent };
      if (!(await insertNotice(glen.db, notice))) continue;
      await glen.announce(`person:${personId}`, { thing: 'notices', id: personId });
      if (glen.mail && !isWritten)
        await glen.enqueue({ kind: 'gather', subject: String(personId), sooner: true });
    }
  });
  glen.nudge();
}
