import type { EntryRules, RuleField, KeptRules } from '@glen/core';
import type { Db } from '../../db/connect.js';

// The layers of rules come from four tables and are asked for with every link that is shown: one statement, not four.

export interface LayerRow {
  school_rules: EntryRules;
  school_locked: RuleField[];
  class_rules: KeptRules;
  class_version: number;
  teacher_rules: KeptRules | null;
  link_rules?: KeptRules;
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
    `SELECT l.id AS link_id, l.version AS link_version, l.class_id, l.rules AS link_rules, ${LAYER_COLUMNS}
     FROM links l JOIN class_periods c ON c.id = l.class_id ${LAYER_JOINS} WHERE l.id IN (:linkIds)`,
    { linkIds: [0, ...linkIds] },
  );
