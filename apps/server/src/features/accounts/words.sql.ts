import type { Db } from '../../db/connect.js';

/** Characters that stand for others in LIKE, as themselves. */
const literally = (word: string): string => word.replace(/[\\%_]/g, (c) => `\\${c}`);

/** A pattern of LIKE that matches what begins with a word. */
export const begins = (word: string): string => `${literally(word)}%`;

interface Condition {
  sql: string;
  values: Record<string, string>;
}

/**
 * Whether each of some words begins one of the words that a person is found by. As SQL, because a list of 25,000 people
 * is searched by it at each letter: every word is looked up in an index. Without words it holds for nobody.
 */
export function foundByWords(personId: string, words: string[]): Condition {
  if (words.length === 0) return { sql: '1 = 0', values: {} };
  const sql = words.map(
    (_, i) =>
      `EXISTS (SELECT 1 FROM person_words w${i} WHERE w${i}.person_id = ${personId} AND w${i}.word LIKE :word${i})`,
  );
  return {
    sql: sql.join(' AND '),
    values: Object.fromEntries(words.map((word, i) => [`word${i}`, begins(word)])),
  };
}

/** Some people who were set down before people were found by words, `most` at the most. */
export async function peopleWithoutWords(db: Db, most: number): Promise<number[]> {
  const rows = await db.rows<{ id: number }>(
    `SELECT p.id FROM people p
     WHERE p.merged_into IS NULL AND NOT EXISTS (SELECT 1 FROM person_words w WHERE w.person_id = p.id) LIMIT :most`,
    { most },
  );
  return rows.map((row) => row.id);
}
