import { checkOneOf, checkWhole, fail } from '../input.js';
import { minuteOfDay } from '../time/dates.js';
import { placeWallTime } from '../time/instants.js';
import { secondsOf, utcOf } from '../time/seconds.js';
import type { Occurrence } from '../plan/plan.js';

/**
 * When a post goes out. `now`: at once; `at`: at an instant; `before`: so many minutes before each session; `morning`: on its
 * day at a wall-clock time; `draft`: when somebody releases it.
 */
export type PostTiming =
  | { kind: 'now' }
  | { kind: 'at'; at: string }
  | { kind: 'before'; minutes: number }
  | { kind: 'morning'; time: string }
  | { kind: 'draft' };

/** What becomes of it when its session is over: it stays, is taken down, or is struck through. */
export type Afterwards = 'stay' | 'down' | 'strike';

export interface PostPlan {
  id: string;
  /** `beforehand`: a place such as a calendar, which is filled as soon as a session is planned: no minutes before and no morning hold it back. */
  places: { id: string; beforehand?: boolean }[];
  /** `link`: it stands for the lasting link, once at each place. `sessions`: once for each session at each place. */
  about: 'link' | 'sessions';
  timing: PostTiming;
  /** Of the wall-clock times. */
  zone: string;
  afterwards: Afterwards;
  withdrawn: boolean;
}

/** A session that a post may speak of. `early`: somebody has asked for its post now, whatever the timing. `closes`: the instant from which it is over, its door's closing; `date` wall clock. */
export interface PostOccurrence {
  id: string;
  place?: string;
  date: string;
  start: string;
  closes: string;
  status: Occurrence['status'];
  early?: boolean;
}

/**
 * One thing at one place. `key` is the same for ever, so that none is made twice; `occurrence` null for a standing post;
 * `due` null while it waits to be released. `wanted`, at the moment asked about: `out` it ought to stand, and is made where it
 * does not; `later` not yet; `kept` it stays where it stands and is not made any more; `struck`, `gone` likewise; `off` where it
 * stands it says that its session is cancelled, and is not made any more.
 */
export interface Delivery {
  key: string;
  place: string;
  occurrence: string | null;
  due: string | null;
  closes: string | null;
  wanted: 'later' | 'out' | 'kept' | 'struck' | 'gone' | 'off';
}

function checked(post: PostPlan): PostPlan {
  checkOneOf(post.about, ['link', 'sessions'], 'about');
  checkOneOf(post.afterwards, ['stay', 'down', 'strike'], 'afterwards');
  checkOneOf(post.timing.kind, ['now', 'at', 'before', 'morning', 'draft'], 'timing.kind');
  const { timing } = post;
  if (timing.kind === 'at') secondsOf(timing.at, 'timing.at');
  if (timing.kind === 'before') checkWhole(timing.minutes, 0, 10080, 'timing.minutes');
  if (timing.kind === 'morning') minuteOfDay(timing.time, 'timing.time');
  if (post.about === 'link' && (timing.kind === 'before' || timing.kind === 'morning'))
    fail('timing.kind', 'A post about the lasting link has no session to be timed by.');
  if (new Set(post.places.map((p) => p.id)).size !== post.places.length)
    fail('places', 'Each place once.');
  return post;
}

/** When a post about one session is due; null while it waits to be released. */
function dueFor(
  { timing, zone }: PostPlan,
  beforehand: boolean,
  { date, start, early }: PostOccurrence,
  now: string,
): string | null {
  if (early || (beforehand && (timing.kind === 'before' || timing.kind === 'morning'))) return now;
  switch (timing.kind) {
    case 'now':
      return now;
    case 'at':
      return timing.at;
    case 'draft':
      return null;
    case 'before':
      return utcOf(secondsOf(start, 'start') - timing.minutes * 60);
    case 'morning': {
      const morning = placeWallTime(date, timing.time, 0, zone).start;
      // A session before that hour has its post by its start all the same.
      return morning < start ? morning : start;
    }
  }
}

const AFTERWARDS: Record<PostPlan['afterwards'], Delivery['wanted']> = {
  down: 'gone',
  strike: 'struck',
  stay: 'kept',
};

/** What is wanted of one delivery now. `closes`: when its session's door closes, null for the link itself. */
function wantedFor(
  post: PostPlan,
  { due, closes }: Pick<Delivery, 'due' | 'closes'>,
  cancelled: boolean,
  now: string,
): Delivery['wanted'] {
  if (post.withdrawn) return 'gone';
  if (closes !== null && closes <= now) return AFTERWARDS[post.afterwards];
  if (cancelled) return 'off';
  return due !== null && due <= now ? 'out' : 'later';
}

/** When what a link is for is due: at once, unless a time or a draft says otherwise. */
function dueForLink({ timing }: PostPlan, now: string): string | null {
  if (timing.kind === 'draft') return null;
  return timing.kind === 'at' ? timing.at : now;
}

/**
 * What a post comes to: one delivery for each place, and of a post about sessions for each of them (those that name a place
 * there alone), in that order. Skipped sessions have none. A cancelled session's says so where it stands, until it would have
 * been over. A time that has passed is due at once, but for a session that is over nothing is made any more.
 * Throws GlenInputError at `timing`, `about`, `afterwards`, `places`.
 */
export function planPosts(post: PostPlan, occurrences: PostOccurrence[], now: string): Delivery[] {
  secondsOf(now, 'now');
  const { id, places, about } = checked(post);
  if (about === 'link') {
    const due = dueForLink(post, now);
    const wanted = wantedFor(post, { due, closes: null }, false, now);
    return places.map((place) => ({
      key: `${id}/${place.id}/link`,
      place: place.id,
      occurrence: null,
      due,
      closes: null,
      wanted,
    }));
  }
  const held = occurrences.filter((o) => o.status !== 'skipped');
  return places.flatMap((place) =>
    held
      .filter((o) => o.place === undefined || o.place === place.id)
      .map((o): Delivery => {
        const due = dueFor(post, place.beforehand ?? false, o, now);
        return {
          key: `${id}/${place.id}/${o.id}`,
          place: place.id,
          occurrence: o.id,
          due,
          closes: o.closes,
          wanted: wantedFor(post, { due, closes: o.closes }, o.status === 'cancelled', now),
        };
      }),
  );
}

/** The next instant after `now` at which any of some deliveries wants something else; null where none will by time alone. */
export function nextMoment(deliveries: Delivery[], now: string): string | null {
  const moments = deliveries
    .flatMap((d) => [d.due, d.closes])
    .filter((at): at is string => at !== null && at > now);
  return moments.length === 0 ? null : moments.reduce((a, b) => (a < b ? a : b));
}
