import {
  checkReach,
  classTitle,
  doorCodesIn,
  formerCodeLeads,
  isSameLesson,
  wallClockAt,
  type CalendarEntry,
} from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound } from '../../http/problem.js';
import { siteAddress } from '../../outside/courseSite.js';
import { peopleOfLink } from '../audience/store.js';
import { readSchool } from '../school/store.js';
import { clockAt, momentFor } from './moment.js';
import { slotOf, standingIn, type Standing } from './standing.js';
import {
  codesAsked,
  linkAsked,
  rollsOf,
  sitesFor,
  type CodeAsked,
  type OnRolls,
  type Site,
} from './store.js';

type Place = Answer<'reach'>['places'][number];
type Person = Answer<'reach'>['people'][number];

const WHERE: Record<Standing['kind'], string> = {
  post: 'Stream',
  item: 'Course page',
  event: 'Calendar',
  section: 'Course page',
  hand: 'By hand',
  mail: 'Mail',
};
/** The words of what somebody wrote, to call it by. */
const plain = (html: string): string =>
  html
    .replace(/<[^>]*>/g, ' ')
    .replace(/&amp;/g, '&')
    .replace(/&#39;/g, '’')
    .replace(/&quot;/g, '"')
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/\s+/g, ' ')
    .trim();

/** Whether a code opens a door at an instant: its link works, and where the code has been replaced, the old one leads on. */
const leads = (code: CodeAsked, at: string): boolean =>
  code.state === 'live' &&
  (code.how === null || formerCodeLeads({ how: code.how, until: code.until_at }, at));

/** What a question of reach is about. */
interface Question {
  linkId: number;
  link: NonNullable<Awaited<ReturnType<typeof linkAsked>>>;
  /** When, an instant of school time. */
  moment: string;
  sites: Site[];
  rolls: OnRolls[];
  /** Whom the link is for. */
  audience: { id: number; name: string }[];
}

/** Something that stands in a class period and leads to a door. */
interface Column {
  place: Place;
  /** The id of the link that it leads to. */
  link: string;
  /** Who reads it: people, or the whole of a class period. */
  readers: string[];
}

/** A link of the class period with the same purpose and somebody in common is asked about with it. */
function isAsked(code: CodeAsked, { linkId, link, rolls, audience }: Question): boolean {
  if (code.link_id === linkId) return true;
  if (code.class_id !== link.class_id || code.purpose !== link.purpose) return false;
  const meant = new Set(audience.map((p) => p.id));
  return rolls.some((r) => meant.has(r.id) && code.members.has(r.id));
}

/** Who reads something: those the course site names, else everybody in its class period. */
function readersOf(
  { thing, classId, people }: Standing,
  rolls: OnRolls[],
): Pick<Column, 'readers'> & {
  count: number;
} {
  if (people)
    return {
      readers: people.map((id) => `p${id}`),
      count: rolls.filter((r) => people.includes(r.id)).length,
    };
  const { readers: emails } = thing;
  if (!emails)
    return {
      readers: [`c${classId}`],
      count: rolls.filter((r) => r.classIds.includes(classId)).length,
    };
  const named = rolls.filter((r) => r.email !== null && emails.includes(r.email));
  return { readers: named.map((r) => `p${r.id}`), count: named.length };
}

function whereOf({ kind, name, classId }: Standing, sites: Site[]): string {
  const place = kind === 'hand' ? name || WHERE.hand : WHERE[kind];
  return `${place}, ${sites.find((site) => site.id === classId)!.title}`;
}

/** `right`: it leads to the link asked about; `other`: to another for the same; `old`: to no open door. */
function stateOf(code: CodeAsked, { linkId, moment }: Question): Place['state'] {
  if (!leads(code, moment)) return 'old';
  return code.link_id === linkId ? 'right' : 'other';
}

function columnOf(glen: Glen, standing: Standing, code: CodeAsked, question: Question): Column {
  const { sites, rolls, linkId } = question;
  const { classId, kind, thing, ours } = standing;
  const { readers, count } = readersOf(standing, rolls);
  const isByHand = kind === 'hand';
  const state = stateOf(code, question);
  const { ref } = sites.find((site) => site.id === classId)!;
  return {
    link: String(code.link_id),
    readers,
    place: {
      id: `${slotOf(standing)} ${code.code}`,
      where: whereOf(standing, sites),
      title: thing.title ?? plain(thing.html ?? '').slice(0, 60),
      state,
      stopped: code.link_id !== linkId && state === 'old',
      ours: ours !== null,
      byHand: isByHand,
      proven: !isByHand,
      placementId: ours?.placementId ?? null,
      postId: ours?.postId ?? null,
      readerCount: count,
      address: isByHand || kind === 'mail' ? null : siteAddress(glen, ref),
    },
  };
}

/** Everything that stands, by the codes it names, as far as they are asked about. */
async function columnsOf(glen: Glen, things: Standing[], question: Question): Promise<Column[]> {
  const codesIn = ({ thing }: Standing): string[] =>
    doorCodesIn(`${thing.html ?? ''} ${thing.address ?? ''}`, glen.config.publicUrl);
  const named = things
    .filter((s) => !s.thing.struck)
    .flatMap((standing) => codesIn(standing).map((code) => ({ standing, code })));
  const asked = await codesAsked(
    glen.db,
    named.map(({ code }) => code),
  );
  const known = new Map(asked.map((c) => [c.code, c]));
  return named.flatMap(({ standing, code }) => {
    const c = known.get(code);
    return c && isAsked(c, question) ? [columnOf(glen, standing, c, question)] : [];
  });
}

/** Everybody the link is for or who reads along, by name, with what each of them sees. */
function peopleOf({ linkId, audience, rolls }: Question, columns: Column[]): Person[] {
  const named = new Map([...audience, ...rolls].map((p) => [p.id, p.name]));
  const people = [...named].sort((a, b) => (a[1] < b[1] ? -1 : 1));
  const classesOf = new Map(rolls.map((r) => [r.id, r.classIds]));
  const rows = checkReach({
    people: people.map(([id]) => ({
      id: `p${id}`,
      groups: (classesOf.get(id) ?? []).map((c) => `c${c}`),
    })),
    audience: audience.map((p) => `p${p.id}`),
    link: String(linkId),
    placements: columns.map(({ place, link, readers }) => ({
      id: place.id,
      link,
      state: place.state === 'old' ? 'dead' : 'live',
      proven: place.proven,
      readers,
    })),
  });
  return rows
    .map(({ verdict, placements }, i) => {
      const [id, name] = people[i]!;
      return { id, name, verdict, places: placements };
    })
    .filter((p) => p.verdict !== 'not-for-them');
}

const entryOf = ({ thing }: Standing): CalendarEntry => ({
  title: thing.title ?? '',
  start: thing.start!,
  end: thing.end!,
  leads: Boolean(thing.address) || (thing.html ?? '').includes('href='),
});

/** Entries of the calendar by other hands for the same lesson as one of Glen's own that leads to the link. */
function twiceIn(
  things: Standing[],
  { columns, sites, zone }: { columns: Column[]; sites: Site[]; zone: string },
): Answer<'reach'>['twice'] {
  const events = things.filter((s) => s.kind === 'event' && s.thing.start && !s.thing.struck);
  const own = events.filter(
    (s) =>
      s.ours !== null &&
      columns.some((c) => c.place.state === 'right' && c.place.id.startsWith(`${slotOf(s)} `)),
  );
  const isBeside = (event: Standing, ours: Standing): boolean =>
    event.classId === ours.classId && isSameLesson(entryOf(event), entryOf(ours));
  return events
    .filter((event) => event.ours === null && own.some((ours) => isBeside(event, ours)))
    .map((event) => {
      const { date, time } = wallClockAt(event.thing.start!, zone);
      return { where: whereOf(event, sites), title: event.thing.title ?? '', date, time };
    });
}

/**
 * Who sees which link for what a link is for. Asked of what really stands at the course site, so that things pinned up by
 * hand, and by anybody, count too. Links of the class period with the same purpose and somebody in common are one question.
 */
export async function reachOf(
  glen: Glen,
  linkId: number,
  at: string | undefined,
): Promise<Answer<'reach'>> {
  const { zone } = (await readSchool(glen.db)).calendar;
  const { instant, next } = await momentFor(glen, { at, linkId, zone });
  const reach = await reachAt(glen, linkId, { instant, zone });
  return { ...reach, next: next && { title: next.title, date: next.date, time: next.time } };
}

/** The same at an instant (null: now), whatever session is next. */
export async function reachAt(
  glen: Glen,
  linkId: number,
  { instant, zone }: { instant: string | null; zone: string },
): Promise<Omit<Answer<'reach'>, 'next'>> {
  const link = await linkAsked(glen.db, linkId);
  if (!link) throw notFound('This link');
  const [sites, audience] = await Promise.all([
    sitesFor(glen.db, linkId),
    peopleOfLink(glen.db, linkId),
  ]);
  const { things, trouble } = await standingIn(glen, sites, instant);
  const siteIds = sites.map((site) => site.id);
  const rolls = await rollsOf(glen.db, siteIds);
  const moment = instant ?? glen.clock.school();
  const question: Question = { linkId, link, moment, sites, rolls, audience };
  const columns = await columnsOf(glen, things, question);
  return {
    link: {
      id: linkId,
      classId: link.class_id,
      classTitle: classTitle({ title: link.class_title, period: link.period }),
      label: link.label,
      purpose: link.purpose,
      main: link.main_id === linkId,
    },
    at: clockAt(glen, instant, zone),
    trouble,
    places: columns.map((c) => c.place),
    twice: twiceIn(things, { columns, sites, zone }),
    people: peopleOf(question, columns),
  };
}
