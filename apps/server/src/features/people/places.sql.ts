import type { HadByRetired } from '../../db/models/Person.js';
import type { Db } from '../../db/connect.js';
import { giveGroupsAndLinks } from '../classes/roll.sql.js';

// Where somebody has a place. Groups, audiences and hosts of links have no models yet.

/** A class period by what it is called. */
export interface NamedClass {
  id: number;
  title: string;
  period: string | null;
}

const ids = async (db: Db, sql: string, personId: number): Promise<number[]> =>
  (await db.rows<{ id: number }>(sql, { personId })).map((row) => row.id);

/** All the places that somebody has. */
export async function placesOf(db: Db, personId: number): Promise<HadByRetired> {
  const teaches = await db.rows<HadByRetired['teaches'][number]>(
    'SELECT class_id AS classId, as_what AS `as` FROM class_staff WHERE person_id = :personId',
    { personId },
  );
  return {
    teaches,
    rolls: await ids(db, 'SELECT class_id AS id FROM roll WHERE person_id = :personId', personId),
    groups: await ids(
      db,
      'SELECT group_id AS id FROM group_members WHERE person_id = :personId',
      personId,
    ),
    links: await ids(
      db,
      'SELECT DISTINCT link_id AS id FROM link_audience WHERE person_id = :personId',
      personId,
    ),
    hostsLinks: await ids(
      db,
      'SELECT link_id AS id FROM link_hosts WHERE person_id = :personId',
      personId,
    ),
    tutors: await ids(db, 'SELECT id FROM class_groups WHERE tutor_id = :personId', personId),
  };
}

/** Whoever changes one of these places from an older state is told so. */
export async function raisePlaces(db: Db, places: HadByRetired): Promise<void> {
  const classIds = [0, ...places.rolls, ...places.teaches.map((t) => t.classId)];
  const groupIds = [0, ...places.groups, ...places.tutors];
  await db.change(
    `UPDATE class_periods SET version = version + 1, groups_version = groups_version + 1
     WHERE id IN (:classIds) OR id IN (SELECT g.class_id FROM class_groups g WHERE g.id IN (:groupIds))`,
    { classIds, groupIds },
  );
  await db.change('UPDATE links SET version = version + 1 WHERE id IN (:ids)', {
    ids: [0, ...places.links, ...places.hostsLinks],
  });
}

/** Somebody has no place any more: on no roll, in no group, no audience; they teach and tutor nowhere. */
export async function leaveAllPlaces(db: Db, personId: number): Promise<void> {
  for (const table of ['roll', 'class_staff', 'group_members', 'link_audience', 'link_hosts'])
    await db.change(`DELETE FROM ${table} WHERE person_id = :personId`, { personId });
  await db.change('UPDATE class_groups SET tutor_id = NULL WHERE tutor_id = :personId', {
    personId,
  });
}

/** Gives places back, as far as what they are in still stands. */
export async function givePlaces(
  db: Db,
  personId: number,
  { teaches, rolls, groups, links, hostsLinks, tutors }: HadByRetired,
): Promise<void> {
  for (const { classId, as } of teaches)
    await db.change(
      'INSERT IGNORE INTO class_staff (class_id, person_id, as_what) VALUES (:classId, :personId, :as)',
      { classId, personId, as },
    );
  await db.change(
    'INSERT IGNORE INTO roll (class_id, person_id) SELECT c.id, :personId FROM class_periods c WHERE c.id IN (:ids)',
    { personId, ids: [0, ...rolls] },
  );
  await giveGroupsAndLinks(db, personId, { groups, links });
  await db.change(
    'INSERT IGNORE INTO link_hosts (link_id, person_id) SELECT l.id, :personId FROM links l WHERE l.id IN (:ids)',
    { personId, ids: [0, ...hostsLinks] },
  );
  await db.change(
    'UPDATE class_groups SET tutor_id = :personId WHERE id IN (:ids) AND tutor_id IS NULL',
    { personId, ids: [0, ...tutors] },
  );
}

/** The class periods that somebody alone hosts and that go on. */
export const onlyHostOf = (db: Db, personId: number): Promise<NamedClass[]> =>
  db.rows(
    `SELECT c.id, c.title, c.period FROM class_staff cs JOIN class_periods c ON c.id = cs.class_id AND c.put_away_at IS NULL
     WHERE cs.person_id = :personId AND cs.as_what = 'host'
       AND NOT EXISTS (SELECT 1 FROM class_staff o WHERE o.class_id = c.id AND o.as_what = 'host' AND o.person_id <> :personId)
     ORDER BY c.period IS NULL, c.period, c.title`,
    { personId },
  );

interface ComingSession {
  title: string;
  period: string | null;
  local_date: string;
  local_time: string;
  n: number;
}

/** The next session of the class periods that somebody hosts, after an instant of school time, with how many there are. */
export const comingSessions = (
  db: Db,
  personId: number,
  now: string,
): Promise<ComingSession | undefined> =>
  db.one<ComingSession>(
    `SELECT c.title, c.period, o.local_date, o.local_time, COUNT(*) OVER () AS n
     FROM occurrences o JOIN class_staff cs ON cs.class_id = o.class_id AND cs.person_id = :personId AND cs.as_what <> 'presenter'
       JOIN class_periods c ON c.id = o.class_id
     WHERE o.start_at > :now AND o.status IN ('planned', 'moved') ORDER BY o.start_at LIMIT 1`,
    { personId, now },
  );

export const classesTaught = (
  db: Db,
  personId: number,
): Promise<(NamedClass & { as: 'host' | 'co-teacher' | 'presenter' })[]> =>
  db.rows(
    `SELECT c.id, c.title, c.period, cs.as_what AS \`as\` FROM class_staff cs JOIN class_periods c ON c.id = cs.class_id
     WHERE cs.person_id = :personId ORDER BY c.period IS NULL, c.period, c.title`,
    { personId },
  );

export const classesLearned = (db: Db, personId: number): Promise<NamedClass[]> =>
  db.rows(
    `SELECT c.id, c.title, c.period FROM roll r JOIN class_periods c ON c.id = r.class_id
     WHERE r.person_id = :personId ORDER BY c.period IS NULL, c.period, c.title`,
    { personId },
  );

/** Whoever is signed in with one of these accounts is out: in every browser, at once. */
export async function signOutAccounts(db: Db, accountIds: number[]): Promise<void> {
  const values = { accountIds: [0, ...accountIds] };
  await db.change(
    'UPDATE browser_sessions SET account_id = NULL WHERE account_id IN (:accountIds)',
    values,
  );
  await db.change('DELETE FROM browser_session_accounts WHERE account_id IN (:accountIds)', values);
}

/** One-time addresses of accounts, and a person's calendar addresses, lead nowhere any more. */
export async function closeAddresses(
  db: Db,
  personId: number,
  accountIds: number[],
): Promise<void> {
  await db.change('DELETE FROM password_addresses WHERE account_id IN (:accountIds)', {
    accountIds: [0, ...accountIds],
  });
  await db.change('DELETE FROM feeds WHERE person_id = :personId', { personId });
}

/** What an account did at doors stays with its person. */
export const keepVisits = (db: Db, accountId: number): Promise<number> =>
  db.change('UPDATE visitors SET account_id = NULL WHERE account_id = :accountId', { accountId });

/** The codes of the links of the class periods that somebody teaches. */
export const codesTaught = async (db: Db, personId: number): Promise<string[]> =>
  (
    await db.rows<{ code: string }>(
      'SELECT l.code FROM links l JOIN class_staff cs ON cs.class_id = l.class_id WHERE cs.person_id = :personId',
      { personId },
    )
  ).map((row) => row.code);
