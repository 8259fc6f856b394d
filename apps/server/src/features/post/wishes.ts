import type { Delivery } from '@glen/core';
import type { Glen } from '../../glen.js';
import { belowAt } from './below.js';
import { bodyAt, noticeOf, sectionAt } from './bodies.js';
import { valuesOf, type PostFacts } from './facts.js';
import { keeperOf, keptHeadings } from './headings.js';
import type { PlacementRow } from './placements.sql.js';
import type { Wished } from './placementStore.js';
import { readersOf, type Reader } from './readerStore.js';
import type { PlaceRow } from './places.sql.js';
import type { PostRow } from './store.js';

type Slot = Pick<Wished, 'placeId' | 'part' | 'occurrenceId'>;

/** Where one thing of a post stands: a place, for a session or the lasting link, and which part of it. */
export const slotOf = (w: Slot): string => `${w.placeId}/${w.part}/${w.occurrenceId}`;

const slotOfRow = (p: PlacementRow): string =>
  slotOf({ placeId: p.place_id, part: p.part, occurrenceId: p.occurrence_id });

export const placementsBySlot = (facts: PostFacts, post: PostRow): Map<string, PlacementRow> =>
  new Map(facts.placements.filter((p) => p.post_id === post.id).map((p) => [slotOfRow(p), p]));

/** What ought to become of a placement, from what its delivery wants and what there is already; null: leave it alone. */
function wishFor(
  wanted: Delivery['wanted'],
  there: PlacementRow | undefined,
  mayMake: boolean,
): PlacementRow['wish'] | null {
  if (there?.dropped) return 'gone';
  if (wanted === 'off') return there && there.wish !== 'gone' ? 'out' : null;
  if (!there || there.wish === 'gone') {
    const mayStand = mayMake || Boolean(there?.out_since);
    return wanted === 'out' && mayStand ? 'out' : null;
  }
  if (wanted === 'kept') return there.wish;
  return wanted === 'later' ? 'out' : wanted;
}

/** By hand and in letters nothing is struck through: what ought to be is taken down there, or counts no more. */
const wantedAt = ({ kind }: PlaceRow, { wanted }: Delivery): Delivery['wanted'] =>
  (kind === 'by-hand' || kind === 'mail') && wanted === 'struck' ? 'gone' : wanted;

/** A delivery with its place and what has been made of it. */
interface Thing {
  delivery: Delivery;
  place: PlaceRow;
  occurrenceId: number;
  old: PlacementRow | undefined;
  wish: PlacementRow['wish'];
}

const goes = (old: PlacementRow, now: string): Wished => ({
  placeId: old.place_id,
  part: old.part,
  occurrenceId: old.occurrence_id,
  wish: 'gone',
  body: old.body,
  code: old.code,
  dueAt: now,
});

/** What a post wants at each of its places at the facts' moment; what is to be left alone is left out. */
export async function wishes(
  glen: Glen,
  facts: PostFacts,
  post: PostRow,
  deliveries: Delivery[],
): Promise<Wished[]> {
  const there = placementsBySlot(facts, post);
  const places = new Map(facts.places.map((p) => [p.id, p]));
  const things = deliveries.flatMap((delivery): Thing[] => {
    const place = places.get(Number(delivery.place))!;
    const occurrenceId = Number(delivery.occurrence ?? 0);
    const old = there.get(slotOf({ placeId: place.id, part: 'thing', occurrenceId }));
    const wish = wishFor(wantedAt(place, delivery), old, !place.lost);
    return wish === null ? [] : [{ delivery, place, occurrenceId, old, wish }];
  });
  const standing = [...new Set(things.filter((t) => t.wish !== 'gone').map((t) => t.place))];
  const readers = await narrowReaders(glen, standing);
  const wished = [
    ...things.map((thing) =>
      thing.wish === 'gone'
        ? goes(thing.old!, facts.now)
        : standingThing(glen, facts, post, { ...thing, readers: readers.get(thing.place.id) }),
    ),
    ...keptHeadings(facts, post, standing).flatMap((place) => ownSection(glen, facts, place)),
  ];
  return [...wished, ...leftBehind(facts, there, [...wished, ...deliveries.map(slotOfDelivery)])];
}

const slotOfDelivery = (d: Delivery): Slot => ({
  placeId: Number(d.place),
  part: 'thing',
  occurrenceId: Number(d.occurrence ?? 0),
});

/** Who reads at places that are not for all of their class period, and who is written to. */
async function narrowReaders(glen: Glen, places: PlaceRow[]): Promise<Map<number, Reader[]>> {
  const readers = new Map<number, Reader[]>();
  for (const place of places)
    if (place.shape.readers !== 'class' || place.kind === 'mail')
      readers.set(place.id, await readersOf(glen.db, place));
  return readers;
}

function standingThing(
  glen: Glen,
  facts: PostFacts,
  post: PostRow,
  { delivery, place, occurrenceId, wish, readers }: Thing & { readers: Reader[] | undefined },
): Wished {
  const session =
    delivery.occurrence === null
      ? null
      : facts.occurrences.get(place.link_id)!.find((o) => o.id === occurrenceId)!;
  const values = valuesOf(glen, facts, place, session);
  return {
    placeId: place.id,
    part: 'thing',
    occurrenceId,
    wish,
    body: bodyAt({
      post,
      place,
      values,
      session,
      keeper: keeperOf(facts, place),
      notice: session && noticeOf(session),
      isOff: delivery.wanted === 'off',
      struck: wish === 'struck',
      readers: readers ?? null,
      below: belowAt(glen, facts, place, session),
    }),
    code: place.code,
    dueAt: delivery.due ?? facts.now,
  };
}

/** The section that a place makes for itself, where it does. */
function ownSection(glen: Glen, facts: PostFacts, place: PlaceRow): Wished[] {
  const body = sectionAt(place, valuesOf(glen, facts, place, null));
  if (!body) return [];
  const { now } = facts;
  return [
    {
      placeId: place.id,
      part: 'section',
      occurrenceId: 0,
      wish: 'out',
      body,
      code: '',
      dueAt: now,
    },
  ];
}

/** What stands for sessions, places or sections that there are no more. */
function leftBehind(
  facts: PostFacts,
  there: Map<string, PlacementRow>,
  spokenOf: Slot[],
): Wished[] {
  const known = new Set(spokenOf.map(slotOf));
  return [...there]
    .filter(([slot, row]) => row.wish !== 'gone' && !known.has(slot))
    .map(([, row]) => goes(row, facts.now));
}
