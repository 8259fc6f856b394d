import {
  calendarEffects,
  effectInWords,
  expandPlan,
  notesForEffects,
  wholeWindow,
  type CalendarEffect,
  type SchoolCalendar,
} from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { stale, wrongField } from '../../http/problem.js';
import { checkedCalendar } from '../school/checkedCalendar.js';
import { heldCalendar, readCalendar, writeCalendar } from '../school/store.js';
import { tellOnce } from '../school/tell.js';
import { announceSeries, remakeOccurrences } from './occurrenceRows.js';
import { allSeries, hostsByClass } from './calendarStore.js';

type Series = Awaited<ReturnType<typeof allSeries>>[number];

async function effectsOf(
  glen: Glen,
  before: SchoolCalendar,
  after: SchoolCalendar,
): Promise<{
  effects: CalendarEffect[];
  series: Map<number, Series>;
  hosts: Map<number, { person_id: number; name: string }[]>;
}> {
  const [all, hosts] = await Promise.all([allSeries(glen.db), hostsByClass(glen.db)]);
  return {
    effects: calendarEffects(all, before, after, glen.clock.school()),
    series: new Map(all.map((s) => [s.id, s])),
    hosts,
  };
}

/** What an edited calendar would do to everybody's sessions, before it is saved. */
export async function previewCalendar(
  glen: Glen,
  { calendar }: Body<'previewCalendar'>,
): Promise<Answer<'previewCalendar'>> {
  const after = checkedCalendar(calendar);
  const { effects, series, hosts } = await effectsOf(
    glen,
    (await readCalendar(glen.db)).calendar,
    after,
  );
  const counts = new Map<string, number>();
  for (const effect of effects)
    for (const { name } of hosts.get(series.get(effect.seriesId)!.class_id) ?? [])
      counts.set(name, (counts.get(name) ?? 0) + 1);
  return {
    notes: notesForEffects(effects, (id) => series.get(id)!.title),
    changed: effects.filter((e) => e.kind !== 'stays').length,
    teachers: [...counts]
      .map(([name, sessions]) => ({ name, sessions }))
      .sort((a, b) => b.sessions - a.sessions || (a.name < b.name ? -1 : 1)),
  };
}

const TOLD_DATES = 12;

type Effects = Awaited<ReturnType<typeof effectsOf>>;

/** What befalls the sessions that each host gives. */
function effectsByHost({ effects, series, hosts }: Effects): Map<number, CalendarEffect[]> {
  const byPerson = new Map<number, CalendarEffect[]>();
  for (const effect of effects)
    for (const { person_id } of hosts.get(series.get(effect.seriesId)!.class_id) ?? [])
      byPerson.set(person_id, [...(byPerson.get(person_id) ?? []), effect]);
  return byPerson;
}

function noticeText(own: CalendarEffect[], series: Effects['series'], by: string): string {
  const told = own.slice(0, TOLD_DATES);
  const words = told.map((e) => effectInWords(e, series.get(e.seriesId)!.title)).join('. ');
  const more = own.length - TOLD_DATES;
  return `By ${by}. ${words}.${more > 0 ? ` And ${more} more; they stand on the plan.` : ''}`;
}

/** Tells each host, in Glen, what has become of their sessions; whoever changed the calendar knows. */
async function noticeHosts(
  glen: Glen,
  changed: Effects,
  by: { id: number; name: string },
): Promise<void> {
  for (const [personId, own] of effectsByHost(changed)) {
    if (personId === by.id) continue;
    const which = own.length === 1 ? 'one of your sessions' : `${own.length} of your sessions`;
    await tellOnce(glen, personId, {
      title: `The calendar changed ${which}`,
      text: noticeText(own, changed.series, by.name),
    });
  }
}

/** Changes the calendar; every series follows it, but for what has started; their teachers are told. */
export async function setCalendar(
  glen: Glen,
  by: { id: number; name: string },
  { version, calendar, region }: Body<'setCalendar'>,
): Promise<Answer<'setCalendar'>> {
  const after = checkedCalendar(calendar);
  const current = await glen.db.transaction(async () => {
    const kept = await heldCalendar(glen.db);
    if (kept.version !== version) return kept;
    const changed = await effectsOf(glen, kept.calendar, after);
    const { effects, series } = changed;
    const broken = effects.find((e) => e.kind === 'breaks');
    if (broken)
      throw wrongField(
        'calendar.bells',
        `${effectInWords(broken, series.get(broken.seriesId)!.title)} Change that series first.`,
      );
    await writeCalendar(glen.db, after, region);
    for (const id of new Set(effects.map((e) => e.seriesId))) {
      const s = series.get(id)!;
      const rows = expandPlan(s.plan, after, wholeWindow(s.plan, after));
      await remakeOccurrences(
        glen,
        { id, classId: s.class_id, linkId: s.link_id },
        { text: { ...s, draft: s.draft, dateRules: s.date_rules }, rows },
      );
      await announceSeries(glen, s);
    }
    await noticeHosts(glen, changed, by);
    await glen.audit({
      by: by.id,
      action: 'set-calendar',
      subject: 'school:1',
      before: kept.calendar,
      after,
    });
    await glen.announce('clock', { thing: 'school', id: 1 });
    return null;
  });
  if (current) throw stale({ ...current, mayEdit: true });
  return { ...(await readCalendar(glen.db)), mayEdit: true };
}
