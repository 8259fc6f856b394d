import { classTitle, newsInWords, newsOfDate, standingOf } from '@glen/core';
import type { Glen } from '../../glen.js';
import type { Follower } from '../live/announcements.js';
import { insertNotice } from '../school/store.js';
import { calledOf, changedAhead, writeToldDate, type AheadDate } from './changedDateStore.js';
import { meantAt } from './reminderStore.js';

/** Five edits of one hand are one thing to hear of, and what is taken back meanwhile is nothing. */
const GATHERED_SECONDS = 120;

/** Has those who come to a class period's sessions hear of what has become of them, a while after it changed. */
export const datesFollow =
  (glen: Glen): Follower =>
  async ({ thing, id }) => {
    if (thing !== 'class') return;
    const waiting = { waitSeconds: GATHERED_SECONDS, sooner: true };
    await glen.enqueue({ kind: 'gather', subject: `class:${id}`, ...waiting });
  };

/** What is new of each date, noted as told. */
async function newsOf(glen: Glen, classId: number): Promise<{ date: AheadDate; says: string }[]> {
  const news: { date: AheadDate; says: string }[] = [];
  for (const date of await changedAhead(glen.db, classId, glen.clock.school())) {
    const says = newsOfDate(date, date.toldLast);
    if (says === null) continue;
    await writeToldDate(glen.db, date, standingOf(date));
    news.push({ date, says });
  }
  return news;
}

/** Who hears of what: everybody who comes to a date but its hosts, who change it themselves. */
async function newsByPerson(
  glen: Glen,
  news: { date: AheadDate; says: string }[],
): Promise<Map<number, string[]>> {
  const byPerson = new Map<number, string[]>();
  for (const { date, says } of news)
    for (const { personId, hosts } of await meantAt(glen.db, date))
      if (!hosts) byPerson.set(personId, [...(byPerson.get(personId) ?? []), says]);
  return byPerson;
}

/** Tells those who come to a class period's sessions what has become of them since they were told last, in one word each. */
export async function gatherDates(glen: Glen, classId: number): Promise<void> {
  await glen.db.transaction(async () => {
    const called = await calledOf(glen.db, classId);
    const news = await newsOf(glen, classId);
    if (!called || news.length === 0) return;
    for (const [personId, says] of await newsByPerson(glen, news)) {
      const word = newsInWords(says, classTitle(called));
      const notice = { personId, ...word, madeAt: glen.clock.school() };
      if (!(await insertNotice(glen.db, notice))) continue;
      await glen.announce(`person:${personId}`, { thing: 'notices', id: personId });
      if (glen.mail)
        await glen.enqueue({ kind: 'gather', subject: String(personId), sooner: true });
    }
  });
  glen.nudge();
}
