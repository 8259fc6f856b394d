import { addDays, classTitle, doorFor, withoutShared } from '@glen/core';
import type { Session } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound, wrongField } from '../../http/problem.js';
import { hostsGoneAt, rulesOfLinks, rulesOfSession, type LinkRules } from '../entry/layers.js';
import { aloneIn } from '../entry/alone.js';
import { readableTo } from '../entry/privateTitles.js';
import { linkAddress } from '../../addresses.js';
import { joinedOf, joiningTitles, type JoinedRow } from '../link/joined.sql.js';
import { mainLinksOf } from '../school/classes.sql.js';
import {
  sessionRowOfSeries,
  sessionRowsOfClass,
  sessionsBetween,
  type SessionRow,
} from './sessions.sql.js';
import { wasOf } from './store.js';

/** How the door of a session stands. */
export function doorStateOf(
  row: Pick<SessionRow, 'ended_at' | 'opened_at' | 'inside'>,
): Session['door'] {
  if (row.ended_at !== null) return 'ended';
  return row.opened_at !== null || row.inside > 0 ? 'open' : 'shut';
}

/** What rows of sessions are told with: their links' rules, and who meets with whom. */
interface Around {
  rules: Map<number, LinkRules>;
  mains: Map<number, number>;
  shared: JoinedRow[];
  joining: Map<number, string[]>;
}

async function around(glen: Glen, rows: SessionRow[]): Promise<Around> {
  const classIds = [...new Set(rows.map((row) => row.class_id))];
  const since = rows.reduce(
    (least, row) => (row.start_at < least ? row.start_at : least),
    '9999-12-31T00:00:00Z',
  );
  const [rules, mains, shared, titles] = await Promise.all([
    rulesOfLinks(
      glen.db,
      rows.map((row) => row.link_id),
    ),
    mainLinksOf(glen.db, classIds),
    joinedOf(glen.db, classIds, since),
    joiningTitles(
      glen.db,
      rows.map((row) => row.id),
    ),
  ]);
  const joining = new Map<number, string[]>();
  for (const t of titles)
    joining.set(t.occurrence_id, [...(joining.get(t.occurrence_id) ?? []), classTitle(t)]);
  return { rules, mains, shared, joining };
}

/** The session at another's door that a class period holds instead of one of its own, if it does. */
export function heldElsewhere(
  row: Pick<SessionRow, 'id' | 'class_id' | 'for_class' | 'start_at' | 'end_at' | 'status'>,
  shared: JoinedRow[],
): JoinedRow | undefined {
  if (!row.for_class) return undefined;
  const span = { start: row.start_at, end: row.end_at, status: row.status };
  return shared.find(
    (j) =>
      j.joining === row.class_id &&
      j.occurrence_id !== row.id &&
      withoutShared([span], [j]).length === 0,
  );
}

/** How its door stands, when it opens and closes, and who is in. */
function doorPart(row: SessionRow, link: LinkRules) {
  const rules = rulesOfSession(link, row);
  const door = doorFor({ start: row.start_at, end: row.end_at }, rules);
  const minutes = hostsGoneAt(link, row);
  return {
    ...door,
    door: doorStateOf(row),
    inside: row.inside,
    alone: aloneIn(row, { closes: door.closes, withoutHost: rules.withoutHost, minutes }),
  };
}

/** A date of a series as the screens get it. In a list the plan comes without its single changes: there may be many, on every row. */
function sessionOf(
  glen: Glen,
  row: SessionRow,
  { rules, mains, shared, joining }: Around,
  { whole = false } = {},
): Session {
  const { changes, ...plan } = row.plan;
  const elsewhere = heldElsewhere(row, shared);
  return {
    id: row.id,
    seriesId: row.series_id,
    version: row.version,
    classId: row.class_id,
    linkId: row.link_id,
    title: row.title,
    description: row.description,
    plan: whole && changes ? { ...plan, changes } : plan,
    key: row.key_date,
    date: row.local_date,
    time: row.local_time,
    minutes: row.minutes,
    start: row.start_at,
    end: row.end_at,
    status: row.status,
    why: row.why,
    was: wasOf(row),
    draft: Boolean(row.draft),
    undated: Boolean(row.undated),
    ...doorPart(row, rules.get(row.link_id)!),
    came: row.came,
    linkLabel: mains.get(row.class_id) === row.link_id ? null : row.link_label,
    address: linkAddress(glen, row.link_code),
    with: joining.get(row.id) ?? [],
    heldAt: elsewhere
      ? classTitle({ title: elsewhere.class_title, period: elsewhere.period })
      : null,
  };
}

/** The sessions of a class period as a person may read them. */
export async function sessionsOfClass(
  glen: Glen,
  classId: number,
  personId: number,
): Promise<Session[]> {
  const rows = await readableTo(glen.db, await sessionRowsOfClass(glen.db, classId), personId);
  const known = await around(glen, rows);
  return rows.map((row) => sessionOf(glen, row, known));
}

/** A teacher's sessions on local dates `from ≤ date ≤ to`; those that are held at another's door only there, where the teacher hosts them. */
export async function sessionsFor(
  glen: Glen,
  from: string,
  to: string,
  personId: number,
): Promise<Session[]> {
  if (from > to || addDays(from, 400) < to)
    throw wrongField('to', 'Ask for up to 400 days, the first before the last.');
  const rows = await sessionsBetween(glen.db, from, to, personId);
  const known = await around(glen, rows);
  return rows.map((row) => sessionOf(glen, row, known)).filter((s) => s.heldAt === null);
}

/** One date of a series as a person may read it, by its key; without one the next, else the last. */
export async function sessionOfSeries(
  glen: Glen,
  { seriesId, key }: { seriesId: number; key?: string | undefined },
  personId: number,
): Promise<Session> {
  const asked = { key, now: glen.clock.school() };
  const row = await sessionRowOfSeries(glen.db, seriesId, asked);
  if (!row) throw notFound('This session');
  const [readable] = await readableTo(glen.db, [row], personId);
  return sessionOf(glen, readable!, await around(glen, [row]), { whole: true });
}
