import {
  classTitle,
  inZone,
  notesForZone,
  occurrencesInZone,
  zoneEffects,
  type ZoneEffect,
} from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import { stale } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { heldAbout, readAbout, writeAbout } from '../school/aboutStore.js';
import { heldCalendar, readCalendar, writeCalendar } from '../school/store.js';
import { tellOnce } from '../school/tell.js';
import { allSeries, hostsByClass, moveZone } from './calendarStore.js';
import { announceSeries, remakeOccurrences } from './occurrenceRows.js';

type Kept = Answer<'aboutSchool'>;

/** What the school is called, where students ask, and by which clock it goes. */
export const aboutSchool = async (glen: Glen, who: Who): Promise<Kept> => ({
  ...(await readAbout(glen.db)),
  mayEdit: isOffice(who),
});

/** What another zone would do to what is ahead; 422 at `zone` for one that there is not. */
export async function previewZone(
  glen: Glen,
  { zone }: Body<'previewZone'>,
): Promise<Answer<'previewZone'>> {
  const { calendar } = await readCalendar(glen.db);
  const all = new Map((await allSeries(glen.db)).map((s) => [s.id, s]));
  const effects = zoneEffects([...all.values()], {
    school: calendar,
    zone,
    now: glen.clock.school(),
  });
  const titleOf = (id: number): string => {
    const { class_title: title, period } = all.get(id)!;
    return classTitle({ title, period });
  };
  return { notes: notesForZone(effects, zone, titleOf) };
}

/** Changes it; 409 with how it stands where somebody else was faster. */
export async function setAboutSchool(
  glen: Glen,
  who: Who,
  { version, ...about }: Body<'setAboutSchool'>,
): Promise<Kept> {
  const isDone = await glen.db.transaction(async () => {
    const before = await heldAbout(glen.db);
    if (before.version !== version) return false;
    await writeAbout(glen.db, about);
    if (about.zone !== before.zone) await changeZone(glen, who.person!, about.zone);
    const by = who.person!.id;
    await glen.audit({ by, action: 'set-about-school', subject: 'school:1', before, after: about });
    await glen.announce('clock', { thing: 'school', id: 1 });
    return true;
  });
  const now = await aboutSchool(glen, who);
  if (!isDone) throw stale(now);
  return now;
}

/** Every session keeps its hour on the clock, and so begins at another moment; what has begun stays as it was. */
async function changeZone(
  glen: Glen,
  by: { id: number; name: string },
  zone: string,
): Promise<void> {
  const { calendar, region } = await heldCalendar(glen.db);
  const all = await allSeries(glen.db);
  const change = { school: calendar, zone, now: glen.clock.school() };
  const effects = zoneEffects(all, change);
  await writeCalendar(glen.db, { ...calendar, zone }, region);
  await moveZone(glen.db, calendar.zone, zone);
  for (const series of all) {
    const { id, class_id: classId, link_id: linkId, date_rules: dateRules } = series;
    const plan = inZone(series.plan, calendar.zone, zone);
    const text = { ...series, plan, draft: series.draft, dateRules };
    const rows = occurrencesInZone(series.plan, change);
    await remakeOccurrences(glen, { id, classId, linkId }, { text, rows });
    await announceSeries(glen, series);
  }
  await noticeHosts(glen, { all, effects, zone, by });
}

interface Changed {
  all: Awaited<ReturnType<typeof allSeries>>;
  effects: ZoneEffect[];
  zone: string;
  by: { id: number; name: string };
}

/** Tells each host whose sessions begin at another moment; whoever changed the zone knows. */
async function noticeHosts(glen: Glen, { all, effects, zone, by }: Changed): Promise<void> {
  const classOf = new Map(all.map((s) => [s.id, s.class_id]));
  const hosts = await hostsByClass(glen.db);
  const counts = new Map<number, number>();
  for (const { seriesId, sessions } of effects)
    for (const { person_id: id } of hosts.get(classOf.get(seriesId)!) ?? [])
      counts.set(id, (counts.get(id) ?? 0) + sessions);
  counts.delete(by.id);
  for (const [personId, sessions] of counts) {
    const which =
      sessions === 1
        ? 'a session of yours keeps its hour on the clock, and so begins'
        : `${sessions} sessions of yours keep their hours on the clock, and so begin`;
    await tellOnce(glen, personId, {
      title: 'The school’s time zone has changed',
      text: `By ${by.name}. Times are those of ${zone} now: ${which} at another moment.`,
    });
  }
}
