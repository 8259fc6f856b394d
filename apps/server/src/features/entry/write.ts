import {
  RULE_FIELDS,
  checkRule,
  keptLayer,
  layerOf,
  resolveRules,
  type EntryRules,
  type KeptRules,
} from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { stale, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import {
  describeLinkRules,
  describeOwnRules,
  describeRules,
  describeSchoolRules,
} from './describe.js';
import { rulesOfClass, rulesOfLink } from './layers.js';
import {
  classesHosted,
  heldDoors,
  roomsAt,
  schoolLayer,
  teacherLayer,
  writeClassRules,
  writeLinkRules,
  writeSchoolRules,
  writeTeacherRules,
} from './store.js';

/** Everyone at the doors of class periods hears that their rules have changed. */
export async function announceDoors(
  glen: Glen,
  where: { classIds: number[] } | { linkId: number },
): Promise<void> {
  const links = await heldDoors(glen.db, where);
  for (const classId of new Set(links.map((l) => l.class_id)))
    await glen.announce(`class:${classId}`, { thing: 'class', id: classId });
  for (const { id } of links) await glen.announce(`door:${id}`, { thing: 'door', id });
}

/** Rooms that stand at the doors of class periods or of a link are told what they are to hold from now on. */
export async function tellRooms(
  glen: Glen,
  where: { classIds: number[] } | { linkId: number },
): Promise<void> {
  for (const id of await roomsAt(glen.db, where))
    await glen.enqueue({ kind: 'room-rules', subject: String(id) });
}

/** One layer as it was sent, with the version that its editor read. */
interface OwnRules {
  version: number;
  rules: Partial<EntryRules>;
  hostsGone?: number | null | undefined;
}

/** A layer as it is to be kept, from what was sent and what is kept: what is said of hosts that are gone stays where nothing is sent. */
export const nextLayer = (
  { rules, hostsGone }: Pick<OwnRules, 'rules' | 'hostsGone'>,
  before: KeptRules | undefined,
): KeptRules => {
  const minutes = hostsGone === undefined ? before?.hostsGone : hostsGone;
  return minutes == null ? rules : { ...rules, hostsGone: minutes };
};

interface Writing {
  subject: string;
  by: number;
  before: unknown;
  after: unknown;
  where: { classIds: number[] } | { linkId: number };
}

/** Writes rules down with what was before, and tells the doors; gives whether their version was the one that was read. */
const writeThem = (
  glen: Glen,
  { subject, by, before, after, where }: Writing,
  write: () => Promise<boolean>,
): Promise<boolean> =>
  glen.db.transaction(async () => {
    if (!(await write())) return false;
    await glen.audit({ by, action: 'set-rules', subject, before, after });
    await announceDoors(glen, where);
    await tellRooms(glen, where);
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
  sent: OwnRules,
): Promise<Answer<'rules'>> {
  const resolved = await rulesOfClass(glen.db, classId);
  const before = keptLayer(resolved.layers.at(-1)!);
  const rules = nextLayer(sent, before);
  resolveRules([...resolved.layers.slice(0, -1), layerOf('class', rules)]);
  const written = await writeThem(
    glen,
    {
      subject: `class:${classId}`,
      by: who.person!.id,
      before,
      after: rules,
      where: { classIds: [classId] },
    },
    () => writeClassRules(glen.db, classId, { rules, version: sent.version }),
  );
  return settled(written, () => describeRules(glen, classId, who));
}

export async function setLinkRules(
  glen: Glen,
  linkId: number,
  who: Who,
  sent: OwnRules,
): Promise<Answer<'rules'>> {
  const resolved = await rulesOfLink(glen.db, linkId);
  const before = keptLayer(resolved.layers.at(-1)!);
  const rules = nextLayer(sent, before);
  resolveRules([...resolved.layers.slice(0, -1), layerOf('link', rules)]);
  const written = await writeThem(
    glen,
    {
      subject: `link:${linkId}`,
      by: who.person!.id,
      before,
      after: rules,
      where: { linkId },
    },
    () => writeLinkRules(glen.db, linkId, { rules, version: sent.version }),
  );
  return settled(written, () => describeLinkRules(glen, linkId, who));
}

/** A teacher's own defaults: they count in the class periods that the teacher is the first host of. */
export async function setOwnRules(glen: Glen, who: Who, sent: OwnRules): Promise<Answer<'rules'>> {
  const id = who.person!.id;
  const [school, own] = await Promise.all([schoolLayer(glen.db), teacherLayer(glen.db, id)]);
  const rules = nextLayer(sent, own!.rules);
  resolveRules([layerOf('school', school.rules), layerOf('teacher', rules)]);
  const written = await writeThem(
    glen,
    {
      subject: `person:${id}`,
      by: id,
      before: own!.rules,
      after: rules,
      where: { classIds: await classesHosted(glen.db, id) },
    },
    () => writeTeacherRules(glen.db, id, { rules, version: sent.version }),
  );
  return settled(written, () => describeOwnRules(glen, who));
}

export async function setSchoolRules(
  glen: Glen,
  who: Who,
  { version, rules, locked, hostsGone }: Body<'setSchoolRules'>,
): Promise<Answer<'rules'>> {
  const before = await schoolLayer(glen.db);
  const whole = Object.fromEntries(
    RULE_FIELDS.map((field) => [field, checkRule(field, rules[field], `rules.${field}`)]),
  ) as unknown as EntryRules;
  if (locked.includes('entryCode') && whole.entryCode !== null)
    throw wrongField(
      'locked',
      'One entry code for every door of the school would soon be known to all; lock “no code”, or leave it free.',
    );
  const kept = { ...whole, ...nextLayer({ rules: {}, hostsGone }, before.rules) };
  const written = await writeThem(
    glen,
    {
      subject: 'school:1',
      by: who.person!.id,
      before,
      after: { rules: kept, locked },
      where: { classIds: await classesHosted(glen.db, null) },
    },
    () =>
      writeSchoolRules(glen.db, {
        rules: kept,
        locked: RULE_FIELDS.filter((f) => locked.includes(f)),
        version,
      }),
  );
  return settled(written, () => describeSchoolRules(glen, who));
}
