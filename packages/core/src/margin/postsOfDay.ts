import {
  placeState,
  type PlaceState,
  type PostState,
  type SummedDelivery,
} from '../post/deliveries.js';
import { dateInWords } from '../time/dates.js';
import type { TodayHand, TodayPost } from './notesForToday.js';

/** A post, as far as a day speaks of it. */
export interface DayPost {
  id: number;
  state: PostState;
  places: { id: number; classId: number; classTitle: string; kind: PlaceKind; where: string }[];
  deliveries: (SummedDelivery & {
    placeId: number;
    placementId: number | null;
    overdue: boolean;
  })[];
}

type PlaceKind = 'stream' | 'item' | 'calendar' | 'by-hand' | 'mail';
type DayDelivery = DayPost['deliveries'][number];

/** Where the link of a class period stands, or is about to. */
interface DayPlacement {
  classId: number;
  postId: number;
  kind: PlaceKind;
  state: Exclude<PlaceState, 'over'>;
  due: { date: string; time: string } | null;
}

/** Something to be done by hand today, for the day line. */
interface HandMark {
  postId: number;
  where: string;
  time: string;
  waits: boolean;
}

export interface PostsOfDay {
  placements: DayPlacement[];
  /** What is stuck or waits for its release. */
  posts: TodayPost[];
  hand: TodayHand[];
  marks: HandMark[];
}

const placeOf = (post: DayPost, d: DayDelivery): DayPost['places'][number] =>
  post.places.find((p) => p.id === d.placeId)!;

/** What a day (a local date) says of posts: where each link stands, and, where one hosts, what is stuck or to be done. */
export function postsOfDay(all: DayPost[], hosted: ReadonlySet<number>, date: string): PostsOfDay {
  const posts = all.filter((post) => post.state !== 'withdrawn');
  const own = posts.map((post) => ({
    post,
    open: post.deliveries.filter((d) =>
      post.places.some((p) => p.id === d.placeId && hosted.has(p.classId)),
    ),
  }));
  const byHand = own.flatMap(({ post, open }) => open.flatMap((d) => handOf(post, d, date)));
  return {
    placements: posts.flatMap(placementsOf),
    posts: own.flatMap(({ post, open }) => [...stuck(post, open), ...waiting(post, open)]),
    hand: byHand.map(({ hand }) => hand),
    marks: byHand.flatMap(({ mark }) => mark ?? []),
  };
}

const placementsOf = (post: DayPost): DayPlacement[] =>
  post.places.flatMap((place) => {
    const here = post.deliveries.filter((d) => d.placeId === place.id);
    const state = placeState(here);
    if (state === 'over') return [];
    const due = here.find((d) => d.state === 'queued')?.due ?? here[0]?.due ?? null;
    return [{ classId: place.classId, postId: post.id, kind: place.kind, state, due }];
  });

/** The first delivery that failed or is gone from its place; else one that is being tried again. */
function stuck(post: DayPost, open: DayDelivery[]): TodayPost[] {
  const trouble =
    open.find((d) => d.state === 'failed' || d.state === 'missing') ??
    open.find((d) => d.tries > 0 && d.error !== null);
  if (!trouble) return [];
  const { state, error, tries, placementId } = trouble;
  return [
    {
      id: post.id,
      classTitle: placeOf(post, trouble).classTitle,
      state: state === 'missing' || state === 'failed' ? state : 'queued',
      error,
      tries,
      ...(placementId === null ? {} : { placementId }),
    },
  ];
}

/** A draft that waits for its release. */
function waiting(post: DayPost, open: DayDelivery[]): TodayPost[] {
  const first = open[0];
  if (post.state !== 'draft' || !first) return [];
  const { classTitle } = placeOf(post, first);
  return [{ id: post.id, classTitle, state: 'draft', error: null, tries: 0 }];
}

/** What a person has to do by hand at a place; a mark on the day line where it falls on the day. */
function handOf(
  post: DayPost,
  d: DayDelivery,
  date: string,
): { hand: TodayHand; mark: HandMark | null }[] {
  const { kind, where } = placeOf(post, d);
  const today = d.due?.date === date ? d.due : null;
  const waits = kind === 'by-hand' && d.state === 'queued' && today !== null;
  if (d.state !== 'todo' && d.state !== 'takedown' && !waits) return [];
  const hand: TodayHand = {
    postId: post.id,
    placementId: d.placementId,
    where,
    what: whatToDo(d),
    due: today?.time ?? (d.due && `${dateInWords(d.due.date)} ${d.due.time}`),
    overdue: d.overdue,
    waits,
  };
  return [{ hand, mark: today && { postId: post.id, where, time: today.time, waits } }];
}

function whatToDo(d: DayDelivery): TodayHand['what'] {
  if (d.state === 'takedown') return 'take-down';
  return d.outSince === null ? 'paste' : 'change';
}
