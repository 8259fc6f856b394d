import { notesForReach, placeWallTime, wallClockAt, worstReachFirst } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import type { Who } from '../../http/who.js';
import type { CourseSite } from '../../outside/courseSite.js';
import { linksFor } from '../link/describe.js';
import { readSchool } from '../school/store.js';
import { reachAt } from './reach.js';
import { sessionsOfLink } from './store.js';

type OfDay = Answer<'reachOfDay'>;
type OfLink = OfDay['links'][number];
type Link = Answer<'links'>['links'][number];

/** Links without a session on a day to come are asked about at this hour of it. */
const MIDDAY = '12:00';

/** A course site that is asked once for each of its lists, however many links stand there. */
function askedOnce(site: CourseSite): CourseSite {
  const lists = new Map<string, ReturnType<CourseSite['list']>>();
  return {
    publish: (call) => site.publish(call),
    withdraw: (call) => site.withdraw(call),
    classAddress: (ref) => site.classAddress(ref),
    list: (ref, kind) => {
      const key = `${kind} ${ref}`;
      const list = lists.get(key) ?? site.list(ref, kind);
      lists.set(key, list);
      return list;
    },
  };
}

interface Day {
  date: string;
  now: string;
  zone: string;
}

/** The session of a day that a link is asked about: the first that is not over, else the last; and the instant to ask for. */
async function sessionOn(
  glen: Glen,
  linkId: number,
  { date, now, zone }: Day,
): Promise<{ session: OfLink['session']; instant: string | null }> {
  const isToday = wallClockAt(now, zone).date === date;
  // What began the evening before and runs past midnight is today's too.
  const held = (await sessionsOfLink(glen.db, linkId))
    .filter((s) => s.local_date === date || (isToday && s.start_at <= now && s.end_at > now))
    .sort((a, b) => (a.start_at < b.start_at ? -1 : 1));
  const row = held.find((s) => s.end_at > now) ?? held.at(-1);
  const start = row?.start_at ?? placeWallTime(date, MIDDAY, 0, zone).start;
  const instant = start > now && (row || !isToday) ? start : null;
  if (!row) return { session: null, instant };
  const { title, local_time: time, end_at } = row;
  return { session: { title, date, time, over: end_at <= now }, instant };
}

async function reachOfLink(glen: Glen, link: Link, day: Day): Promise<OfLink> {
  const { session, instant } = await sessionOn(glen, link.id, day);
  const reach = await reachAt(glen, link.id, { instant, zone: day.zone });
  const count = (verdict: keyof OfLink['counts']): number =>
    reach.people.filter((p) => p.verdict === verdict).length;
  return {
    linkId: link.id,
    classId: link.classId,
    name: link.main ? link.classTitle : `${link.classTitle}: ${link.label}`,
    pennant: link.pennant,
    session,
    at: reach.at,
    trouble: reach.trouble,
    counts: {
      leak: count('leak'),
      stale: count('stale'),
      none: count('none'),
      several: count('several'),
      unproven: count('unproven'),
      clear: count('clear'),
    },
    notes: notesForReach({
      ...reach,
      twice: reach.twice.filter((entry) => entry.date === day.date),
      byHand: !glen.courseSite,
    }),
  };
}

/** Who sees which link, over all that somebody hosts, on a day (today where left out): what its lessons would be spoiled by first. */
export async function reachOfDay(
  glen: Glen,
  who: Who,
  asked: { date?: string | undefined },
): Promise<OfDay> {
  const { zone } = (await readSchool(glen.db)).calendar;
  const now = glen.clock.school();
  const date = asked.date ?? wallClockAt(now, zone).date;
  const { courseSite } = glen;
  const once = courseSite ? { ...glen, courseSite: askedOnce(courseSite) } : glen;
  const { links } = await linksFor(glen, who);
  const live = links.filter((link) => link.state === 'live' && link.mayEdit);
  const found = await Promise.all(live.map((link) => reachOfLink(once, link, { date, now, zone })));
  return { date, links: worstReachFirst(found) };
}
