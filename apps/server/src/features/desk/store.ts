import type { DeskVisitor } from '@glen/contract';
import { toSql, type Db } from '../../db/connect.js';

export interface VisitorRow {
  id: number;
  sitting_id: number;
  name: string;
  account_kind: DeskVisitor['account'];
  email: string | null;
  on_roll: number;
  role: DeskVisitor['role'];
  may_present: number;
  state: DeskVisitor['state'];
  inside: number;
  knocked_at: string | null;
  left_at: string | null;
  person_id: number | null;
  /** Who of the roll a host says it is. */
  taken_for: number | null;
}

export const visitorsOf = (db: Db, sittingId: number): Promise<VisitorRow[]> =>
  db.rows<VisitorRow>(
    'SELECT v.*, a.email FROM visitors v LEFT JOIN accounts a ON a.id = v.account_id WHERE v.sitting_id = :sittingId ORDER BY v.knocked_at, v.id',
    { sittingId },
  );

export interface Known {
  id: number;
  sitting_id: number;
  state: DeskVisitor['state'];
  role: DeskVisitor['role'];
  may_present: number;
  on_roll: number;
  session_id: number | null;
  link_id: number;
  occurrence_id: number;
  class_id: number;
  code: string;
  room: string | null;
  room_address: string | null;
  name: string;
}

const KNOWN = `SELECT v.id, v.sitting_id, v.state, v.role, v.may_present, v.on_roll, v.session_id, v.name, m.link_id, m.room, m.room_address, m.occurrence_id, l.class_id, l.code
  FROM visitors v JOIN sittings m ON m.id = v.sitting_id JOIN links l ON l.id = m.link_id`;

export const knownVisitor = (db: Db, id: number): Promise<Known | undefined> =>
  db.one<Known>(`${KNOWN} WHERE v.id = :id FOR UPDATE`, { id });

export const waitingAt = (db: Db, linkId: number): Promise<Known[]> =>
  db.rows<Known>(
    `${KNOWN} WHERE m.link_id = :linkId AND m.ended_at IS NULL AND v.state = 'waiting' FOR UPDATE`,
    { linkId },
  );

export const setVisitorState = (
  db: Db,
  id: number,
  from: DeskVisitor['state'][],
  to: DeskVisitor['state'],
): Promise<number> =>
  db.change('UPDATE visitors SET state = :to, word = NULL WHERE id = :id AND state IN (:from)', {
    id,
    from,
    to,
  });

export const setWord = (db: Db, id: number, word: string | null): Promise<number> =>
  db.change('UPDATE visitors SET word = :word WHERE id = :id', { id, word });

export const setRole = (db: Db, id: number, role: DeskVisitor['role']): Promise<number> =>
  db.change('UPDATE visitors SET role = :role WHERE id = :id', { id, role });

/** For the register alone. */
export const setTakenFor = (db: Db, id: number, personId: number | null): Promise<number> =>
  db.change('UPDATE visitors SET taken_for = :personId WHERE id = :id', { id, personId });

export const setMayPresent = (
  db: Db,
  id: number,
  mayPresent: boolean,
  role: DeskVisitor['role'],
): Promise<number> =>
  db.change('UPDATE visitors SET may_present = :mayPresent, role = :role WHERE id = :id', {
    id,
    mayPresent: mayPresent ? 1 : 0,
    role,
  });

export const visitorOfPerson = (
  db: Db,
  sittingId: number,
  personId: number,
): Promise<{ id: number; inside: number } | undefined> =>
  db.one(
    'SELECT id, inside FROM visitors WHERE sitting_id = :sittingId AND person_id = :personId ORDER BY inside DESC, id DESC LIMIT 1',
    { sittingId, personId },
  );

export const actingHostsOf = async (db: Db, sittingId: number): Promise<number[]> =>
  (
    await db.rows<{ person_id: number }>(
      'SELECT person_id FROM acting_hosts WHERE sitting_id = :sittingId',
      { sittingId },
    )
  ).map((row) => row.person_id);

export const addActingHost = (
  db: Db,
  host: { sittingId: number; personId: number; by: number },
): Promise<number> =>
  db.change(
    'INSERT IGNORE INTO acting_hosts (sitting_id, person_id, given_by) VALUES (:sittingId, :personId, :by)',
    host,
  );

/** Ended for all; its room is gone. */
export const endSitting = (db: Db, sittingId: number, now: string): Promise<number> =>
  db.change(
    'UPDATE sittings SET ended_at = :now, room = NULL, room_ready = 0, host_left_at = NULL WHERE id = :sittingId',
    { sittingId, now: toSql(now) },
  );

/** Acting hosts are so until the end; opened again, the session is its own hosts' alone. */
export const dropActingHosts = (db: Db, sittingId: number): Promise<number> =>
  db.change('DELETE FROM acting_hosts WHERE sitting_id = :sittingId', { sittingId });

const OF_SCHOOL = `EXISTS (SELECT 1 FROM accounts a WHERE a.person_id = p.id AND a.kind = 'school') AS of_school`;

export const invitedTo = (
  db: Db,
  occurrenceId: number,
): Promise<{ id: number; name: string | null; email: string | null; of_school: number }[]> =>
  db.rows(
    `SELECT i.id, p.name, i.email, ${OF_SCHOOL} FROM invited i LEFT JOIN people p ON p.id = i.person_id WHERE i.occurrence_id = :occurrenceId ORDER BY i.id`,
    { occurrenceId },
  );

export const addInvited = (
  db: Db,
  i: { occurrenceId: number; personId: number | null; email: string | null; by: number },
): Promise<number> =>
  db.change(
    'INSERT IGNORE INTO invited (occurrence_id, person_id, email, given_by) VALUES (:occurrenceId, :personId, :email, :by)',
    i,
  );

export const personById = (
  db: Db,
  id: number,
): Promise<{ id: number; name: string; of_school: number } | undefined> =>
  db.one(`SELECT p.id, p.name, ${OF_SCHOOL} FROM people p WHERE p.id = :id`, { id });
