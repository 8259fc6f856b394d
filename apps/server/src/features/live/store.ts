import type { LiveChange } from '@glen/contract';
import type { Clock } from '../../clock.js';
import { toSql, type Db } from '../../db/connect.js';

interface ChangeRow {
  id: number;
  topic: string;
  thing: LiveChange['thing'];
  thing_id: number;
}

const MOST_CHANGES = 5000;

export const insertChange = (
  db: Db,
  clock: Clock,
  topic: string,
  change: LiveChange,
): Promise<number> =>
  db.insert('changes', {
    topic,
    thing: change.thing,
    thing_id: change.id,
    at: toSql(clock.machine()),
  });

export const lastChangeId = async (db: Db): Promise<number> =>
  (await db.one<{ last: number | null }>('SELECT MAX(id) AS last FROM changes'))?.last ?? 0;

export const changesAfter = (db: Db, id: number): Promise<ChangeRow[]> =>
  db.rows<ChangeRow>(
    `SELECT id, topic, thing, thing_id FROM changes WHERE id > :id ORDER BY id LIMIT ${MOST_CHANGES}`,
    { id },
  );

/** The class periods of which a teacher hears: their own, those in which they host one link, and those they meet with. */
export const classesHeardOf = async (db: Db, personId: number): Promise<number[]> => {
  const rows = await db.rows<{ class_id: number }>(
    `SELECT class_id FROM class_staff WHERE person_id = :id
     UNION SELECT l.class_id FROM link_hosts lh JOIN links l ON l.id = lh.link_id WHERE lh.person_id = :id
     UNION SELECT l.class_id FROM shares sh JOIN class_staff js ON js.class_id = sh.class_id AND js.person_id = :id JOIN links l ON l.id = sh.link_id`,
    { id: personId },
  );
  return rows.map((row) => row.class_id);
};

export const linksByCode = async (db: Db, codes: string[]): Promise<number[]> => {
  const rows = await db.rows<{ id: number }>('SELECT id FROM links WHERE code IN (:codes)', {
    codes: ['', ...codes],
  });
  return rows.map((row) => row.id);
};
