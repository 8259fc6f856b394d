import { placeWallTime, sessionAtDoor, wallClockAt } from '@glen/core';
import type { Glen } from '../../glen.js';
import { OutsideError } from '../../outside/outsideError.js';
import type { Listed, ThingKind } from '../../outside/courseSite.js';
import { deliveriesOf, factsOf } from '../post/facts.js';
import type { Body } from '../post/placementStore.js';
import { postIdsOf } from '../post/store.js';
import { keyOf } from '../post/sync.js';
import { wishes } from '../post/wishes.js';
import { sessionsOfLink } from './store.js';

/** One thing that stands in a class period: on its course site, or by hand somewhere. `ours`: Glen put it there. */
export interface Standing {
  key: string;
  classId: number;
  kind: ThingKind | 'hand';
  thing: Omit<Listed, 'key' | 'revision'>;
  /** Name of a place filled by hand. */
  name: string;
  ours: { placementId: number | null; postId: number } | null;
}

export interface Site {
  id: number;
  ref: string;
  title: string;
}

const KINDS: ThingKind[] = ['post', 'section', 'item', 'event'];
const asThing = (body: Body): Standing['thing'] =>
  body.kind === 'hand' ? { html: body.html } : (({ kind: _kind, ...rest }) => rest)(body);

/** What the course site lists in a class; where it cannot be asked, what it last confirmed to us, and why. */
async function listed(
  glen: Glen,
  site: Site,
  confirmed: Standing[],
): Promise<{ things: Standing[]; trouble: string | null }> {
  const ours = new Map(confirmed.map((s) => [s.key, s.ours]));
  try {
    const lists = await Promise.all(
      KINDS.map(async (kind) =>
        (await glen.courseSite.list(site.ref, kind)).map(
          ({ key, revision: _r, ...thing }): Standing => ({
            key,
            classId: site.id,
            kind,
            thing,
            name: '',
            ours: ours.get(key) ?? null,
          }),
        ),
      ),
    );
    return { things: lists.flat(), trouble: null };
  } catch (error) {
    if (!(error instanceof OutsideError)) throw error;
    return { things: confirmed, trouble: error.message };
  }
}

/**
 * What stands in some class periods: now, by asking the course site, with what people have said they did by hand; or at an
 * instant to come, with what Glen will have done by then.
 */
export async function standingIn(
  glen: Glen,
  sites: Site[],
  at: string | null,
): Promise<{ things: Standing[]; trouble: string | null }> {
  const postIds = await postIdsOf(
    glen.db,
    sites.map((s) => s.id),
  );
  const facts = await factsOf(glen, postIds, at === null ? {} : { at });
  const classOf = new Map(facts.places.map((p) => [p.id, p]));
  const of = (placeId: number): { classId: number; name: string } => ({
    classId: classOf.get(placeId)!.class_id,
    name: classOf.get(placeId)!.shape.name,
  });
  const sent = facts.placements
    .filter(
      (p) =>
        p.out_since !== null &&
        p.sent_body !== null &&
        sites.some((s) => s.id === classOf.get(p.place_id)!.class_id),
    )
    .map((p): Standing => ({
      key: keyOf(p),
      kind: p.sent_body!.kind,
      thing: asThing(p.sent_body!),
      ours: { placementId: p.id, postId: p.post_id },
      ...of(p.place_id),
    }));
  const byHand = sent.filter((s) => s.kind === 'hand');
  const answers = await Promise.all(
    sites.map((site) =>
      listed(
        glen,
        site,
        sent.filter((s) => s.classId === site.id && s.kind !== 'hand'),
      ),
    ),
  );
  const trouble = answers.find((a) => a.trouble !== null)?.trouble ?? null;
  const now = [...answers.flatMap((a) => a.things), ...byHand];
  if (at === null) return { things: now, trouble };
  const then = new Map(now.map((s) => [`${s.classId} ${s.kind} ${s.key}`, s]));
  const rows = new Map(
    facts.placements.map((p) => [`${p.place_id} ${p.part} ${p.occurrence_id}`, p]),
  );
  for (const post of facts.posts) {
    for (const w of await wishes(glen, facts, post, deliveriesOf(facts, post))) {
      const row = rows.get(`${w.placeId} ${w.part} ${w.occurrenceId}`);
      const { classId, name } = of(w.placeId);
      if (w.body.kind === 'hand' || !sites.some((s) => s.id === classId)) continue;
      const key = row
        ? keyOf(row)
        : w.part === 'section'
          ? keyOf({ id: 0, part: 'section', place_id: w.placeId })
          : `to come ${w.placeId} ${w.occurrenceId}`;
      const slot = `${classId} ${w.body.kind} ${key}`;
      if (w.wish === 'gone') then.delete(slot);
      else
        then.set(slot, {
          key,
          classId,
          name,
          kind: w.body.kind,
          thing: asThing(w.body),
          ours: { placementId: row?.id ?? null, postId: post.id },
        });
    }
  }
  return { things: [...then.values()], trouble };
}

/** The instant that a question is asked for: null is now; with `begins` when the link's next session begins. */
export async function momentFor(
  glen: Glen,
  at: string | undefined,
  linkId: number,
  zone: string,
): Promise<{
  instant: string | null;
  next: { title: string; date: string; time: string; start: string } | null;
}> {
  const rows = await sessionsOfLink(glen.db, linkId);
  const session =
    sessionAtDoor(
      rows.map((r) => ({ ...r, start: r.start_at, end: r.end_at })),
      { opensBefore: 0, closesAfter: 0 },
      glen.clock.school(),
    )?.occurrence ?? null;
  const next = session && {
    title: session.title,
    date: session.local_date,
    time: session.local_time,
    start: session.start_at,
  };
  if (at === undefined) return { instant: null, next };
  if (at === 'begins')
    return { instant: next && next.start > glen.clock.school() ? next.start : null, next };
  const [date, time] = at.split('T') as [string, string];
  const instant = placeWallTime(date, time, 0, zone).start;
  return { instant: instant > glen.clock.school() ? instant : null, next };
}

export const clockAt = (
  glen: Glen,
  instant: string | null,
  zone: string,
): { date: string; time: string } => {
  const { date, time } = wallClockAt(instant ?? glen.clock.school(), zone);
  return { date, time };
};
