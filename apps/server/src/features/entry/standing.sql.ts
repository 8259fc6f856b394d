import type { RichText } from '@glen/core';
import type { Db } from '../../db/connect.js';

/** A place where a link is out or about to be, with its words, and whether people read it whom the link is not for. */
interface StandingPlace {
  words: string | RichText;
  link_words: string;
  beyond: boolean;
}

/** Of each place it is asked whether anybody reads it who is not meant: whole rolls are compared, so in the database. */
export async function standingPlaces(db: Db, linkId: number): Promise<StandingPlace[]> {
  const rows = await db.rows<{
    words: string | RichText;
    link_words: string;
    shape: { words: string | RichText | null; linkWords?: string };
    beyond: number;
  }>(
    `SELECT p.words, p.link_words, pp.shape,
       COALESCE(JSON_VALUE(pp.shape, '$.readers'), '') <> 'audience' AND EXISTS (
         SELECT 1 FROM roll r
         LEFT JOIN group_members g ON g.group_id = JSON_VALUE(pp.shape, '$.readers.groupId') AND g.person_id = r.person_id
         LEFT JOIN link_people m ON m.link_id = pp.link_id AND m.person_id = r.person_id AND m.as_what = 'member'
         WHERE r.class_id = pp.class_id AND m.person_id IS NULL
           AND (JSON_VALUE(pp.shape, '$.readers.groupId') IS NULL OR g.person_id IS NOT NULL)) AS beyond
     FROM posts p JOIN post_places pp ON pp.post_id = p.id AND pp.removed = 0
     WHERE pp.link_id = :linkId AND p.withdrawn = 0 AND JSON_VALUE(p.timing, '$.kind') <> 'draft'`,
    { linkId },
  );
  return rows.map(({ words, link_words, shape, beyond }) => ({
    words: shape.words ?? words,
    link_words: shape.linkWords || link_words,
    beyond: Boolean(beyond),
  }));
}
