import {
  RULE_FIELDS,
  checkRule,
  givesCode,
  resolveRules,
  sessionAtDoor,
  type EntryRules,
  type ResolvedRules,
  type RuleField,
  type RuleLayer,
  type RuleSetting,
} from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import { notFound, stale, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { peopleOfLink } from '../link/audience.js';
import { linkById, heldLinksOfClasses, heldLink } from '../link/store.js';
import { sessionRowsOfClass } from '../plan/store.js';
import { classById, staffOf } from '../school/store.js';
import { standingPlaces } from '../post/store.js';
import {
  classesHosted,
  layersOfClass,
  layersOfLinks,
  schoolLayer,
  settingFacts,
  teacherLayer,
  writeClassRules,
  writeLinkRules,
  writeSchoolRules,
  writeTeacherRules,
  type LayerRow,
  type OccurrenceLayers,
} from './store.js';

/** A JSON column inside a subquery comes as text; elsewhere the driver has read it already. */
const json = <T>(value: T | string | null | undefined, otherwise: T): T =>
  value === null || value === undefined
    ? otherwise
    : typeof value === 'string'
      ? (JSON.parse(value) as T)
      : value;

/** School, teacher, class period, and where the row has it the link. */
export const layersFrom = (row: LayerRow): RuleLayer[] => [
  {
    scope: 'school',
    rules: json(row.school_rules, {} as EntryRules),
    locked: json(row.school_locked, []),
  },
  { scope: 'teacher', rules: json<Partial<EntryRules>>(row.teacher_rules, {}) },
  { scope: 'class', rules: json(row.class_rules, {}) },
  ...(row.link_rules === undefined
    ? []
    : [{ scope: 'link', rules: json<Partial<EntryRules>>(row.link_rules, {}) }]),
];

/** What a session's own row says: the layers of its series and of its one date, where there are any. */
export const ownLayers = (layers: OccurrenceLayers | string): RuleLayer[] =>
  json<RuleLayer[]>(layers, []);

export async function rulesOfClass(
  db: Db,
  classId: number,
): Promise<ResolvedRules & { version: number; layers: RuleLayer[] }> {
  const row = await layersOfClass(db, classId);
  if (!row) throw notFound('This class period');
  const layers = layersFrom(row);
  return { ...resolveRules(layers), version: row.class_version, layers };
}

export type LinkRules = ResolvedRules & { version: number; layers: RuleLayer[] };

/** The rules in force at links, by id. */
export async function rulesOfLinks(db: Db, linkIds: number[]): Promise<Map<number, LinkRules>> {
  const rows = await layersOfLinks(db, [...new Set(linkIds)]);
  return new Map(
    rows.map((row) => {
      const layers = layersFrom(row);
      return [row.link_id, { ...resolveRules(layers), version: row.link_version, layers }];
    }),
  );
}

export async function rulesOfLink(db: Db, linkId: number): Promise<LinkRules> {
  const known = (await rulesOfLinks(db, [linkId])).get(linkId);
  if (!known) throw notFound('This link');
  return known;
}

/** The rules of one session: those of its link, and over them its own. */
export const rulesOfSession = (link: LinkRules, row: { layers: OccurrenceLayers }): EntryRules =>
  row.layers === null || row.layers.length === 0
    ? link.rules
    : resolveRules([...link.layers, ...ownLayers(row.layers)]).rules;

/** What a link's rules are for, and where it stands. */
export async function settingOf(
  glen: Pick<Glen, 'db' | 'video'>,
  linkId: number,
): Promise<RuleSetting> {
  const [facts, places, people] = await Promise.all([
    settingFacts(glen.db, linkId),
    standingPlaces(glen.db, linkId),
    peopleOfLink(glen.db, linkId),
  ]);
  if (!facts) throw notFound('This link');
  return {
    kind: facts.kind,
    guests: facts.kind === 'event',
    namedCount: Number(facts.named),
    roll: people.length,
    holds: facts.pasted ? [] : glen.video.holds,
    placements: places.map((p) => ({
      hasCode: givesCode({ words: p.words, linkWords: p.link_words }),
      readersBeyondAudience: p.beyond,
    })),
  };
}

interface About {
  linkId: number | null;
  classId: number | null;
  seriesId?: number;
  key?: string | undefined;
}

/** What the screens ask beside the layers: the next door's times, the people's names, what the rules are for. */
async function describe(
  glen: Glen,
  version: number,
  layers: RuleLayer[],
  mayEdit: boolean,
  about: About,
): Promise<Answer<'rules'>> {
  const { rules } = resolveRules(layers);
  const [staff, sessions, setting] = await Promise.all([
    about.classId === null ? [] : staffOf(glen.db, about.classId),
    about.classId === null ? [] : sessionRowsOfClass(glen.db, about.classId),
    about.linkId === null
      ? {
          kind: 'lesson' as const,
          guests: false,
          namedCount: 0,
          roll: 0,
          holds: glen.video.holds,
          placements: [],
        }
      : settingOf(glen, about.linkId),
  ]);
  const of = sessions.filter(
    (s) =>
      !s.draft &&
      s.link_id === about.linkId &&
      (about.seriesId === undefined || s.series_id === about.seriesId) &&
      (about.key === undefined || s.key_date === about.key),
  );
  const next = sessionAtDoor(
    of.map((s) => ({ start: s.start_at, end: s.end_at, status: s.status })),
    rules,
    glen.clock.school(),
  );
  return {
    version,
    mayEdit,
    layers,
    next: next && { opens: next.opens, closes: next.closes },
    hosts: staff.filter((s) => s.as !== 'presenter').map((s) => s.name),
    presenters: staff.filter((s) => s.as === 'presenter').map((s) => s.name),
    setting,
  };
}

const hosts = (as: string | null | undefined): boolean => as === 'host' || as === 'co-teacher';
const mayHost = async (glen: Glen, classId: number, who: Who): Promise<boolean> =>
  hosts((await classById(glen.db, classId, who.person!.id))?.as_what);

export async function describeRules(
  glen: Glen,
  classId: number,
  who: Who,
): Promise<Answer<'rules'>> {
  const [{ version, layers }, klass] = await Promise.all([
    rulesOfClass(glen.db, classId),
    classById(glen.db, classId, who.person!.id),
  ]);
  return describe(glen, version, layers, hosts(klass!.as_what), {
    linkId: klass!.link_id,
    classId,
  });
}

export async function describeLinkRules(
  glen: Glen,
  linkId: number,
  who: Who,
): Promise<Answer<'rules'>> {
  const [{ version, layers }, link] = await Promise.all([
    rulesOfLink(glen.db, linkId),
    linkById(glen.db, linkId),
  ]);
  return describe(glen, version, layers, await mayHost(glen, link!.class_id, who), {
    linkId,
    classId: link!.class_id,
  });
}

export interface SeriesLayers {
  id: number;
  class_id: number;
  link_id: number;
  version: number;
  rules: Partial<EntryRules>;
  date_rules: Record<string, Partial<EntryRules>>;
}

/** The layers of a series, or with a key of that date. */
export async function describeSeriesRules(
  glen: Glen,
  series: SeriesLayers,
  key: string | undefined,
  who: Who,
): Promise<Answer<'rules'>> {
  const { layers } = await rulesOfLink(glen.db, series.link_id);
  const all = [
    ...layers,
    { scope: 'series', rules: series.rules },
    ...(key === undefined ? [] : [{ scope: 'occurrence', rules: series.date_rules[key] ?? {} }]),
  ];
  return describe(glen, series.version, all, await mayHost(glen, series.class_id, who), {
    linkId: series.link_id,
    classId: series.class_id,
    seriesId: series.id,
    key,
  });
}

export async function describeSchoolRules(glen: Glen, who: Who): Promise<Answer<'rules'>> {
  const { rules, locked, version } = await schoolLayer(glen.db);
  return describe(glen, version, [{ scope: 'school', rules, locked }], isOffice(who), {
    linkId: null,
    classId: null,
  });
}

export async function describeOwnRules(glen: Glen, who: Who): Promise<Answer<'rules'>> {
  const [school, own] = await Promise.all([
    schoolLayer(glen.db),
    teacherLayer(glen.db, who.person!.id),
  ]);
  return describe(
    glen,
    own!.version,
    [
      { scope: 'school', rules: school.rules, locked: school.locked },
      { scope: 'teacher', rules: own!.rules },
    ],
    true,
    { linkId: null, classId: null },
  );
}

/** Everyone at the doors of class periods hears that their rules have changed. */
async function tellDoors(
  glen: Glen,
  where: { classIds: number[] } | { linkId: number },
): Promise<void> {
  const links =
    'linkId' in where
      ? [(await heldLink(glen.db, where.linkId))!]
      : await heldLinksOfClasses(glen.db, where.classIds);
  for (const classId of new Set(links.map((l) => l.class_id)))
    await glen.announce(`class:${classId}`, { thing: 'class', id: classId });
  for (const { id } of links) await glen.announce(`door:${id}`, { thing: 'door', id });
}

interface Writing {
  subject: string;
  by: number;
  before: unknown;
  after: unknown;
  where: { classIds: number[] } | { linkId: number };
}

const writeThem = (
  glen: Glen,
  { subject, by, before, after, where }: Writing,
  write: () => Promise<number>,
): Promise<boolean> =>
  glen.db.transaction(async () => {
    if ((await write()) === 0) return false;
    await glen.audit({ by, action: 'set-rules', subject, before, after });
    await tellDoors(glen, where);
    return true;
  });

async function settled(
  written: boolean,
  describeNow: () => Promise<Answer<'rules'>>,
): Promise<Answer<'rules'>> {
  const now = await describeNow();
  if (!written) throw stale(now);
  return now;
}

/** Sets the class period's own layer whole; what it does not name falls back to teacher and school. */
export async function setClassRules(
  glen: Glen,
  classId: number,
  who: Who,
  version: number,
  rules: Partial<EntryRules>,
): Promise<Answer<'rules'>> {
  const before = await rulesOfClass(glen.db, classId);
  resolveRules([...before.layers.slice(0, -1), { scope: 'class', rules }]);
  const written = await writeThem(
    glen,
    {
      subject: `class:${classId}`,
      by: who.person!.id,
      before: before.layers.at(-1)!.rules,
      after: rules,
      where: { classIds: [classId] },
    },
    () => writeClassRules(glen.db, classId, { rules, version }),
  );
  return settled(written, () => describeRules(glen, classId, who));
}

export async function setLinkRules(
  glen: Glen,
  linkId: number,
  who: Who,
  version: number,
  rules: Partial<EntryRules>,
): Promise<Answer<'rules'>> {
  const before = await rulesOfLink(glen.db, linkId);
  resolveRules([...before.layers.slice(0, -1), { scope: 'link', rules }]);
  const written = await writeThem(
    glen,
    {
      subject: `link:${linkId}`,
      by: who.person!.id,
      before: before.layers.at(-1)!.rules,
      after: rules,
      where: { linkId },
    },
    () => writeLinkRules(glen.db, linkId, { rules, version }),
  );
  return settled(written, () => describeLinkRules(glen, linkId, who));
}

/** A teacher's own defaults: they count in the class periods that the teacher is the first host of. */
export async function setOwnRules(
  glen: Glen,
  who: Who,
  version: number,
  rules: Partial<EntryRules>,
): Promise<Answer<'rules'>> {
  const id = who.person!.id;
  const [school, own] = await Promise.all([schoolLayer(glen.db), teacherLayer(glen.db, id)]);
  resolveRules([
    { scope: 'school', ...school },
    { scope: 'teacher', rules },
  ]);
  const written = await writeThem(
    glen,
    {
      subject: `person:${id}`,
      by: id,
      before: own!.rules,
      after: rules,
      where: { classIds: await classesHosted(glen.db, id) },
    },
    () => writeTeacherRules(glen.db, id, { rules, version }),
  );
  return settled(written, () => describeOwnRules(glen, who));
}

export async function setSchoolRules(
  glen: Glen,
  who: Who,
  { version, rules, locked }: Body<'setSchoolRules'>,
): Promise<Answer<'rules'>> {
  const before = await schoolLayer(glen.db);
  const whole = Object.fromEntries(
    RULE_FIELDS.map((field: RuleField) => [
      field,
      checkRule(field, rules[field], `rules.${field}`),
    ]),
  ) as unknown as EntryRules;
  if (locked.includes('entryCode') && whole.entryCode !== null)
    throw wrongField(
      'locked',
      'One entry code for every door of the school would soon be known to all; lock “no code”, or leave it free.',
    );
  const written = await writeThem(
    glen,
    {
      subject: 'school:1',
      by: who.person!.id,
      before,
      after: { rules: whole, locked },
      where: { classIds: await classesHosted(glen.db, null) },
    },
    () =>
      writeSchoolRules(glen.db, {
        rules: whole,
        locked: RULE_FIELDS.filter((f) => locked.includes(f)),
        version,
      }),
  );
  return settled(written, () => describeSchoolRules(glen, who));
}
