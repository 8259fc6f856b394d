import {
  dateInWords,
  doorFor,
  planPosts,
  sessionAtDoor,
  wallClockAt,
  type Delivery,
  type PostValues,
} from '@glen/core';
import type { Glen } from '../../glen.js';
import { rulesOfLinks, rulesOfSession, type LinkRules } from '../entry/layers.js';
import { linkAddress } from '../../addresses.js';
import type { LetterCounts } from '../mail/postLetterStore.js';
import { readSchool } from '../school/store.js';
import { afterLessonsFor, type AfterLessonsByLink } from './afterLessons.js';
import { freeSlotsOf, type FreeSlots } from './freeSlots.js';
import { headingRows, type HeadingRow } from './headingStore.js';
import { placementsOf, type PlacementRow } from './placements.sql.js';
import {
  occurrencesOfLinks,
  placesOf,
  type PlaceRow,
  type PostOccurrenceRow,
} from './places.sql.js';
import { withheldFrom } from './withheld.js';
import { hostNames, postsById, type PostRow } from './store.js';

/** All that some posts are worked out from, at one moment of school time. */
export interface PostFacts {
  now: string;
  zone: string;
  posts: PostRow[];
  places: PlaceRow[];
  placements: PlacementRow[];
  /** What is under Glen's own headings in the class periods of the places, other posts' too. */
  headings: HeadingRow[];
  occurrences: Map<number, PostOccurrenceRow[]>;
  rules: Map<number, LinkRules>;
  hosts: Map<number, string>;
  /** Where the entry code is left out, as others would read it. */
  withheld: Set<PlaceRow>;
  /** What course pages show below posts. */
  afterLessons: AfterLessonsByLink;
  /** Of sessions that people sign up for by slots. */
  freeSlots: FreeSlots;
  /** What has become of letters, by placement; where that is asked. */
  letters?: Map<number, LetterCounts>;
}

const groupedBy = <T>(rows: T[], key: (row: T) => number): Map<number, T[]> => {
  const groups = new Map<number, T[]>();
  for (const row of rows) groups.set(key(row), [...(groups.get(key(row)) ?? []), row]);
  return groups;
};

/** Within a transaction all is read by its own connection: one that waited for a second while others do the same would wait for ever. */
export async function factsOf(
  glen: Glen,
  postIds: number[],
  { personId = 0, at }: { personId?: number; at?: string } = {},
): Promise<PostFacts> {
  const [{ calendar }, posts, places, placements] = await Promise.all([
    readSchool(glen.db),
    postsById(glen.db, postIds),
    placesOf(glen.db, postIds, personId),
    placementsOf(glen.db, postIds),
  ]);
  return factsFrom(
    glen,
    { posts, places, placements },
    { now: at ?? glen.clock.school(), zone: calendar.zone },
  );
}

/** The same for posts that are not saved yet. */
export async function factsFrom(
  glen: Glen,
  what: Pick<PostFacts, 'posts' | 'places' | 'placements'>,
  when: Pick<PostFacts, 'now' | 'zone'>,
): Promise<PostFacts> {
  const links = [...new Set(what.places.map((p) => p.link_id))];
  const titled = what.places.filter((p) => p.shape.section && 'title' in p.shape.section);
  const today = wallClockAt(when.now, when.zone).date;
  const [occurrences, rules, hosts, headings, withheld, afterLessons] = await Promise.all([
    occurrencesOfLinks(glen.db, links),
    rulesOfLinks(glen.db, links),
    hostNames(glen.db, [...new Set(what.places.map((p) => p.class_id))]),
    titled.length === 0 ? [] : headingRows(glen.db, [...new Set(titled.map((p) => p.class_id))]),
    withheldFrom(glen.db, what.posts, what.places),
    afterLessonsFor(glen.db, what.places, today),
  ]);
  return {
    ...what,
    ...when,
    headings,
    occurrences: groupedBy(occurrences, (o) => o.link_id),
    rules,
    hosts,
    withheld,
    afterLessons,
    freeSlots: await freeSlotsOf(glen.db, occurrences, today),
  };
}

/** When a session is over: at its door's closing, or when its host ended it. */
const closesOf = (facts: PostFacts, o: PostOccurrenceRow): string => {
  const { closes } = doorFor(
    { start: o.start_at, end: o.end_at },
    rulesOfSession(facts.rules.get(o.link_id)!, o),
  );
  return o.ended_at !== null && o.ended_at < closes ? o.ended_at : closes;
};

/** What a post comes to at the facts' moment, place by place. Where its maker no longer hosts, nothing is made any more. */
export function deliveriesOf(facts: PostFacts, post: PostRow): Delivery[] {
  const places = facts.places.filter((p) => p.post_id === post.id && !p.removed);
  const occurrences =
    post.about === 'link'
      ? []
      : places.flatMap((place) =>
          (facts.occurrences.get(place.link_id) ?? [])
            .filter((o) => post.on_date === null || o.key_date === post.on_date)
            .map((o) => ({
              id: String(o.id),
              place: String(place.id),
              date: o.local_date,
              start: o.start_at,
              closes: closesOf(facts, o),
              status: o.status,
              early: post.early.includes(o.id),
            })),
        );
  return planPosts(
    {
      id: String(post.id),
      places: places.map((p) => ({ id: String(p.id), beforehand: p.kind === 'calendar' })),
      about: post.about,
      timing: post.timing,
      zone: facts.zone,
      afterwards: post.afterwards,
      withdrawn: Boolean(post.withdrawn),
    },
    occurrences,
    facts.now,
  );
}

/** The session that a link stands for just now, for posts that speak of none of their own; and when it is over. */
export function nextSession(
  facts: PostFacts,
  linkId: number,
): { occurrence: PostOccurrenceRow; closes: string } | null {
  const rules = facts.rules.get(linkId)!;
  const rows = (facts.occurrences.get(linkId) ?? []).filter((o) => o.ended_at === null);
  const next = sessionAtDoor(
    rows.map((o) => ({ ...o, start: o.start_at, end: o.end_at })),
    (o) => rulesOfSession(rules, o),
    facts.now,
  );
  return next && { occurrence: next.occurrence, closes: next.closes };
}

/** What the fields stand for at a place: of one session, or of the one that the link stands for just now. */
export function valuesOf(
  glen: Glen,
  facts: PostFacts,
  place: PlaceRow,
  session: PostOccurrenceRow | null,
): PostValues {
  const rules = facts.rules.get(place.link_id)!;
  const about = session ?? nextSession(facts, place.link_id)?.occurrence ?? null;
  const { entryCode } = about ? rulesOfSession(rules, about) : rules.rules;
  return {
    address: linkAddress(glen, place.code),
    class: place.class_title,
    title: about?.title ?? place.class_title,
    date: dateInWords(about?.local_date ?? wallClockAt(facts.now, facts.zone).date),
    ...(about ? { time: about.local_time, bring: about.description } : {}),
    ...(place.period === null ? {} : { period: place.period }),
    host: facts.hosts.get(place.class_id) ?? '',
    entryCode: facts.withheld.has(place) ? '' : (entryCode ?? ''),
  };
}
