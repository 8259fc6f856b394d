import type { Glen } from '../../glen.js';
import { OutsideError } from '../../outside/outsideError.js';
import type { Listed, ThingKind } from '../../outside/courseSite.js';
import { acceptedBy } from '../mail/postLetterStore.js';
import { deliveriesOf, factsOf } from '../post/facts.js';
import type { Body } from '../post/placementStore.js';
import { postIdsOf } from '../post/store.js';
import { keyOf } from '../post/sync.js';
import { wishes } from '../post/wishes.js';
import type { Site } from './store.js';

/** One thing that stands in a class period: on its course site, by hand somewhere, or in people's mail. `ours`: Glen put it there. */
export interface Standing {
  key: string;
  classId: number;
  kind: ThingKind | 'hand' | 'mail';
  thing: Omit<Listed, 'key' | 'revision'>;
  /** Name of a place filled by hand. */
  name: string;
  ours: { placementId: number | null; postId: number } | null;
  /** Those alone who have it in their mail. */
  people?: number[];
}

const KINDS: ThingKind[] = ['post', 'section', 'item', 'event'];
function asThing(body: Body): Standing['thing'] {
  if (body.kind === 'hand') return { html: body.html };
  if (body.kind === 'mail') return { title: body.subject, html: body.html };
  return (({ kind: _kind, ...rest }) => rest)(body);
}

/** What no course site lists. */
const isElsewhere = ({ kind }: Pick<Standing, 'kind'>): boolean =>
  kind === 'hand' || kind === 'mail';

export const slotOf = (s: Pick<Standing, 'classId' | 'kind' | 'key'>): string =>
  `${s.classId} ${s.kind} ${s.key}`;

interface Listing {
  things: Standing[];
  trouble: string | null;
}

/** What the course site lists in a class; where it cannot be asked, what it last confirmed to us, and why. */
async function listed(glen: Glen, site: Site, confirmed: Standing[]): Promise<Listing> {
  const { courseSite } = glen;
  if (!courseSite) return { things: confirmed, trouble: null };
  const ours = new Map(confirmed.map((s) => [s.key, s.ours]));
  const listKind = async (kind: ThingKind): Promise<Standing[]> => {
    const found = await courseSite.list(site.ref, kind);
    return found.map(({ key, revision: _r, ...thing }) => ({
      key,
      classId: site.id,
      kind,
      thing,
      name: '',
      ours: ours.get(key) ?? null,
    }));
  };
  try {
    const lists = await Promise.all(KINDS.map(listKind));
    return { things: lists.flat(), trouble: null };
  } catch (error) {
    if (!(error instanceof OutsideError)) throw error;
    return { things: confirmed, trouble: error.message };
  }
}

type Facts = Awaited<ReturnType<typeof factsOf>>;
type Wish = Awaited<ReturnType<typeof wishes>>[number];

/** In which class period a place is, and what it is called. */
const placeNamed = (facts: Facts, placeId: number): { classId: number; name: string } => {
  const place = facts.places.find((p) => p.id === placeId)!;
  return { classId: place.class_id, name: place.shape.name };
};

/** What Glen has put up in some class periods, as it was last confirmed. */
function sentTo(facts: Facts, sites: Site[]): Standing[] {
  return facts.placements.flatMap((p): Standing[] => {
    const place = placeNamed(facts, p.place_id);
    const isHere = sites.some((s) => s.id === place.classId);
    if (p.out_since === null || p.sent_body === null || !isHere) return [];
    return [
      {
        key: keyOf(p),
        kind: p.sent_body.kind,
        thing: asThing(p.sent_body),
        ours: { placementId: p.id, postId: p.post_id },
        ...place,
      },
    ];
  });
}

/** Letters count for those whose mail service has taken them. */
async function asAccepted(glen: Glen, things: Standing[]): Promise<Standing[]> {
  const isMail = ({ kind }: Standing): boolean => kind === 'mail';
  const ids = things.filter(isMail).map((thing) => thing.ours!.placementId!);
  const accepted = await acceptedBy(glen.db, ids);
  return things.map((thing) =>
    isMail(thing) ? { ...thing, people: accepted.get(thing.ours!.placementId!) ?? [] } : thing,
  );
}

/** What stands now: at the course site, by hand, and in people's mail. */
async function standingNow(glen: Glen, sites: Site[], facts: Facts): Promise<Listing> {
  const sent = sentTo(facts, sites);
  const confirmed = (site: Site): Standing[] =>
    sent.filter((s) => s.classId === site.id && !isElsewhere(s));
  const answers = await Promise.all(sites.map((site) => listed(glen, site, confirmed(site))));
  const elsewhere = await asAccepted(glen, sent.filter(isElsewhere));
  return {
    things: [...answers.flatMap((a) => a.things), ...elsewhere],
    trouble: answers.find((a) => a.trouble !== null)?.trouble ?? null,
  };
}

/** What a wish comes to where it stands, or will stand: under the key it has there already, else one for what is to come. */
function wished(facts: Facts, wish: Wish, postId: number): Standing {
  const { placeId, part, occurrenceId, body } = wish;
  const row = facts.placements.find(
    (p) => p.place_id === placeId && p.part === part && p.occurrence_id === occurrenceId,
  );
  const section = part === 'section' ? keyOf({ id: 0, part, place_id: placeId }) : undefined;
  return {
    key: row ? keyOf(row) : (section ?? `to come ${placeId} ${occurrenceId}`),
    kind: body.kind,
    thing: asThing(body),
    ours: { placementId: row?.id ?? null, postId },
    ...(body.kind === 'mail' ? { people: body.readers } : {}),
    ...placeNamed(facts, placeId),
  };
}

/** What will stand once Glen has done all that it is to do by the time the facts are told for. */
async function standingThen(
  glen: Glen,
  sites: Site[],
  facts: Facts,
  now: Standing[],
): Promise<Standing[]> {
  const then = new Map(now.map((s) => [slotOf(s), s]));
  for (const post of facts.posts) {
    for (const wish of await wishes(glen, facts, post, deliveriesOf(facts, post))) {
      const standing = wished(facts, wish, post.id);
      const isHere = sites.some((s) => s.id === standing.classId);
      if (standing.kind === 'hand' || !isHere) continue;
      if (wish.wish === 'gone') then.delete(slotOf(standing));
      else then.set(slotOf(standing), standing);
    }
  }
  return [...then.values()];
}

/**
 * What stands in some class periods: now, by asking the course site, with what people have said they did by hand; or at an
 * instant to come, with what Glen will have done by then.
 */
export async function standingIn(glen: Glen, sites: Site[], at: string | null): Promise<Listing> {
  const siteIds = sites.map((s) => s.id);
  const postIds = await postIdsOf(glen.db, siteIds);
  const facts = await factsOf(glen, postIds, at === null ? {} : { at });
  const now = await standingNow(glen, sites, facts);
  if (at === null) return now;
  return { things: await standingThen(glen, sites, facts, now.things), trouble: now.trouble };
}
