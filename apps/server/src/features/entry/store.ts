import type {
  EntryRules,
  Occurrence,
  RichText,
  RuleField,
  RuleLayer,
  RuleSetting,
} from '@glen/core';
import type { Db } from '../../db/connect.js';
import { inAudience } from '../audience/fragments.sql.js';

export interface LayerRow {
  school_rules: EntryRules;
  school_locked: RuleField[];
  class_rules: Partial<EntryRules>;
  class_version: number;
  teacher_rules: Partial<EntryRules> | null;
  link_rules?: Partial<EntryRules>;
}

/** The host of class period `c` whose name and defaults stand for it: the first. */
export const FIRST_HOST = `(SELECT MIN(hcs.person_id) FROM class_staff hcs WHERE hcs.class_id = c.id AND hcs.as_what = 'host')`;

/** The layers of a class period in one row: the school's (sc), its host's (h), its own (c). */
export const LAYER_COLUMNS =
  'sc.rules AS school_rules, sc.locked AS school_locked, c.rules AS class_rules, c.version AS class_version, h.rules AS teacher_rules';
const LAYER_JOINS = `JOIN school sc ON sc.id = 1 LEFT JOIN people h ON h.id = ${FIRST_HOST}`;

export const layersOfClass = (db: Db, classId: number): Promise<LayerRow | undefined> =>
  db.one<LayerRow>(
    `SELECT ${LAYER_COLUMNS} FROM class_periods c ${LAYER_JOINS} WHERE c.id = :classId`,
    { classId },
  );

/** The same with the links' own layer. */
export const layersOfLinks = (
  db: Db,
  linkIds: number[],
): Promise<(LayerRow & { link_id: number; link_version: number; class_id: number })[]> =>
  db.rows(
    `SELECT l.id AS link_id, l.version AS link_version, l.class_id, l.rules AS link_rules, ${LAYER_COLUMNS} FROM links l JOIN class_periods c ON c.id = l.class_id ${LAYER_JOINS} WHERE l.id IN (:linkIds)`,
    { linkIds: [0, ...linkIds] },
  );

export const schoolLayer = async (
  db: Db,
): Promise<{ rules: EntryRules; locked: RuleField[]; version: number }> =>
  (await db.one<{ rules: EntryRules; locked: RuleField[]; version: number }>(
    'SELECT rules, locked, rules_version AS version FROM school WHERE id = 1',
  ))!;

export const teacherLayer = (
  db: Db,
  personId: number,
): Promise<{ rules: Partial<EntryRules>; version: number } | undefined> =>
  db.one('SELECT rules, version FROM people WHERE id = :personId', { personId });

/** What a link is for, as far as its rules go. A room that Glen only knows the address of keeps none of them. */
export const settingFacts = (
  db: Db,
  linkId: number,
): Promise<
  { kind: RuleSetting['kind']; named: number; guests: number; pasted: number } | undefined
> =>
  db.one(
    `SELECT l.kind, l.room_address IS NOT NULL AS pasted, EXISTS (SELECT 1 FROM link_audience la WHERE la.link_id = l.id AND la.email IS NOT NULL) AS guests,
       (SELECT COUNT(*) FROM class_staff cs WHERE cs.class_id = l.class_id AND cs.as_what = 'presenter') AS named FROM links l WHERE l.id = :linkId`,
    { linkId },
  );

type Written = { rules: Partial<EntryRules>; version: number };
/** Each gives the number of rows changed: none where the version is not the one that was read. */
export const writeClassRules = (db: Db, id: number, { rules, version }: Written): Promise<number> =>
  db.change(
    'UPDATE class_periods SET rules = :rules, version = version + 1 WHERE id = :id AND version = :version',
    { id, version, rules: JSON.stringify(rules) },
  );
export const writeLinkRules = (db: Db, id: number, { rules, version }: Written): Promise<number> =>
  db.change(
    'UPDATE links SET rules = :rules, version = version + 1 WHERE id = :id AND version = :version',
    { id, version, rules: JSON.stringify(rules) },
  );
export const writeTeacherRules = (
  db: Db,
  id: number,
  { rules, version }: Written,
): Promise<number> =>
  db.change(
    'UPDATE people SET rules = :rules, version = version + 1 WHERE id = :id AND version = :version',
    { id, version, rules: JSON.stringify(rules) },
  );
export const writeSchoolRules = (
  db: Db,
  { rules, locked, version }: Written & { locked: RuleField[] },
): Promise<number> =>
  db.change(
    'UPDATE school SET rules = :rules, locked = :locked, rules_version = rules_version + 1 WHERE id = 1 AND rules_version = :version',
    { version, rules: JSON.stringify(rules), locked: JSON.stringify(locked) },
  );

/** The class periods that a person hosts, or with null all that anybody does. */
export const classesHosted = async (db: Db, personId: number | null): Promise<number[]> =>
  (
    await db.rows<{ id: number }>(
      `SELECT DISTINCT class_id AS id FROM class_staff WHERE as_what = 'host' ${personId === null ? '' : 'AND person_id = :personId'}`,
      { personId },
    )
  ).map((row) => row.id);

/** A date that a link's door could stand for; drafts are none. */
interface DoorDate {
  series_id: number;
  key_date: string;
  start_at: string;
  end_at: string;
  status: Occurrence['status'];
}

export const datesOfLink = (db: Db, linkId: number): Promise<DoorDate[]> =>
  db.rows<DoorDate>(
    'SELECT series_id, key_date, start_at, end_at, status FROM occurrences WHERE link_id = :linkId AND draft = 0 ORDER BY start_at, id',
    { linkId },
  );

/** The doors at which rules count, held against other changes: one link's, or all of some class periods. */
export const heldDoors = (
  db: Db,
  where: { linkId: number } | { classIds: number[] },
): Promise<{ id: number; class_id: number }[]> =>
  'linkId' in where
    ? db.rows('SELECT id, class_id FROM links WHERE id = :linkId FOR UPDATE', where)
    : db.rows(
        'SELECT id, class_id FROM links WHERE class_id IN (:ids) ORDER BY place, id FOR UPDATE',
        {
          ids: [0, ...where.classIds],
        },
      );

/** A place where a link is out or about to be, with its words, and whether people read it whom the link is not for. */
interface StandingPlace {
  words: string | RichText;
  link_words: string;
  beyond: boolean;
}

export const standingPlaces = async (db: Db, linkId: number): Promise<StandingPlace[]> => {
  const rows = await db.rows<{
    words: string;
    link_words: string;
    shape: { words: string | RichText | null };
    beyond: number;
  }>(
    `SELECT p.words, p.link_words, pp.shape,
       COALESCE(JSON_VALUE(pp.shape, '$.readers'), '') <> 'audience' AND EXISTS (
         SELECT 1 FROM roll r LEFT JOIN group_members g ON g.group_id = JSON_VALUE(pp.shape, '$.readers.groupId') AND g.person_id = r.person_id
         WHERE r.class_id = pp.class_id AND (JSON_VALUE(pp.shape, '$.readers.groupId') IS NULL OR g.person_id IS NOT NULL)
           AND NOT ${inAudience('pp.link_id', 'r.person_id')}) AS beyond
     FROM posts p JOIN post_places pp ON pp.post_id = p.id AND pp.removed = 0
     WHERE pp.link_id = :linkId AND p.withdrawn = 0 AND JSON_VALUE(p.timing, '$.kind') <> 'draft'`,
    { linkId },
  );
  return rows.map(({ words, link_words, shape, beyond }) => ({
    words: shape.words ?? (JSON.parse(words) as string | RichText),
    link_words,
    beyond: Boolean(beyond),
  }));
};

export type OccurrenceLayers = RuleLayer[] | null;
