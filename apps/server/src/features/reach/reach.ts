import { checkReach, classTitle, doorCodesIn, formerCodeLeads } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound } from '../../http/problem.js';
import { peopleOfLink } from '../audience/store.js';
import { MAIN_LINK, readSchool } from '../school/store.js';
import { clockAt, momentFor, standingIn, type Site, type Standing } from './standing.js';
import { codesAsked, linkAsked, rollsOf, sitesFor, type CodeAsked } from './store.js';

type Place = Answer<'reach'>['places'][number];

const WHERE: Record<Standing['kind'], string> = {
  post: 'Stream',
  item: 'Course page',
  event: 'Calendar',
  section: 'Course page',
  hand: 'By hand',
};
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

/**
 * Who sees which link for what a link is for. Asked of what really stands at the course site, so that things pinned up by
 * hand, and by anybody, count too. Links of the class period with the same purpose and somebody in common are one question.
 */
export async function reachOf(
  glen: Glen,
  linkId: number,
  at: string | undefined,
): Promise<Answer<'reach'>> {
  const {
    calendar: { zone },
  } = await readSchool(glen.db);
  const link = await linkAsked(glen.db, linkId, MAIN_LINK);
  if (!link) throw notFound('This link');
  const [{ instant, next }, sites, audience] = await Promise.all([
    momentFor(glen, at, linkId, zone),
    sitesFor(glen.db, linkId),
    peopleOfLink(glen.db, linkId),
  ]);
  const moment = instant ?? glen.clock.school();
  const { things, trouble } = await standingIn(glen, sites, instant);
  const rolls = await rollsOf(
    glen.db,
    sites.map((s) => s.id),
  );
  const idOf = new Map(rolls.filter((r) => r.email !== null).map((r) => [r.email!, r.id]));
  const leading = things
    .filter((s) => !s.thing.struck)
    .map((s) => ({
      s,
      codes: doorCodesIn(`${s.thing.html ?? ''} ${s.thing.address ?? ''}`, glen.config.publicUrl),
    }))
    .filter(({ codes }) => codes.length > 0);
  const known = new Map(
    (
      await codesAsked(
        glen.db,
        leading.flatMap(({ codes }) => codes),
      )
    ).map((c) => [c.code, c]),
  );
  const meant = new Set(audience.map((p) => p.id));
  const asked = (c: CodeAsked): boolean =>
    c.link_id === linkId ||
    (c.class_id === link.class_id &&
      c.purpose === link.purpose &&
      rolls.some((r) => meant.has(r.id) && c.members.has(r.id)));
  const titles = new Map(sites.map((s: Site) => [s.id, s.title]));
  const columns = leading.flatMap(({ s, codes }) =>
    codes.flatMap((code): { place: Place; link: string; readers: string[] }[] => {
      const c = known.get(code);
      if (!c || !asked(c)) return [];
      const readers = s.thing.readers
        ? s.thing.readers.flatMap((email) => (idOf.has(email) ? [`p${idOf.get(email)}`] : []))
        : [`c${s.classId}`];
      const count = s.thing.readers
        ? readers.length
        : rolls.filter((r) => r.classIds.includes(s.classId)).length;
      const where = `${s.kind === 'hand' ? s.name || WHERE.hand : WHERE[s.kind]}, ${titles.get(s.classId)}`;
      return [
        {
          link: String(c.link_id),
          readers,
          place: {
            id: `${s.classId} ${s.kind} ${s.key} ${code}`,
            where,
            title: s.thing.title ?? plain(s.thing.html ?? '').slice(0, 60),
            state: leads(c, moment) ? (c.link_id === linkId ? 'right' : 'other') : 'old',
            stopped: c.link_id !== linkId && !leads(c, moment),
            ours: s.ours !== null,
            byHand: s.kind === 'hand',
            proven: s.kind !== 'hand',
            placementId: s.ours?.placementId ?? null,
            postId: s.ours?.postId ?? null,
            readerCount: count,
            address:
              s.kind === 'hand'
                ? null
                : glen.courseSite.classAddress(sites.find((x) => x.id === s.classId)!.ref),
          },
        },
      ];
    }),
  );
  const people = [
    ...new Map([
      ...audience.map((p) => [p.id, p.name] as const),
      ...rolls.map((r) => [r.id, r.name] as const),
    ]),
  ].sort((a, b) => (a[1] < b[1] ? -1 : 1));
  const rows = checkReach({
    people: people.map(([id]) => ({
      id: `p${id}`,
      groups: (rolls.find((r) => r.id === id)?.classIds ?? []).map((c) => `c${c}`),
    })),
    audience: audience.map((p) => `p${p.id}`),
    link: String(linkId),
    placements: columns.map(({ place, link: leadsTo, readers }) => ({
      id: place.id,
      link: leadsTo,
      state: place.state === 'old' ? ('dead' as const) : ('live' as const),
      proven: place.proven,
      readers,
    })),
  });
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
    next: next && { title: next.title, date: next.date, time: next.time },
    trouble,
    places: columns.map((c) => c.place),
    people: rows
      .map((row, i) => ({
        id: people[i]![0],
        name: people[i]![1],
        verdict: row.verdict,
        places: row.placements,
      }))
      .filter((p) => p.verdict !== 'not-for-them'),
  };
}
