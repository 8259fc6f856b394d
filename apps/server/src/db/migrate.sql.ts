import type { Db } from './connect.js';

// The migrations' own books. They are older than any table that a model could speak of.

/** Which migrations have been done, and how far the one is that is under way. */
export async function makeBooks(db: Db): Promise<void> {
  await db.define(
    'CREATE TABLE IF NOT EXISTS migrations (name VARCHAR(120) PRIMARY KEY) CHARACTER SET ascii',
  );
  await db.define(
    `CREATE TABLE IF NOT EXISTS migration_steps (
      name VARCHAR(120) PRIMARY KEY, step SMALLINT UNSIGNED NOT NULL, begun TINYINT(1) NOT NULL) CHARACTER SET ascii`,
  );
}

interface DatabaseKind {
  name: string;
  characters: string;
  isolation: string;
}

/** How this database keeps texts, and how its server runs transactions. The variable's name depends on the server's age. */
export async function databaseKind(db: Db): Promise<DatabaseKind> {
  const kind = (await db.one<Omit<DatabaseKind, 'isolation'>>(
    'SELECT DATABASE() AS name, @@character_set_database AS characters',
  ))!;
  const variables = await db.rows<{ Value: string }>(
    `SHOW VARIABLES WHERE Variable_name IN ('tx_isolation', 'transaction_isolation')`,
  );
  return { ...kind, isolation: variables[0]?.Value ?? 'unknown' };
}

export const namesDone = async (db: Db): Promise<string[]> =>
  (await db.rows<{ name: string }>('SELECT name FROM migrations ORDER BY name')).map(
    (row) => row.name,
  );

export async function noteDone(db: Db, name: string): Promise<void> {
  await db.change('INSERT INTO migrations (name) VALUES (:name)', { name });
}

export async function noteUndone(db: Db, name: string): Promise<void> {
  await db.change('DELETE FROM migrations WHERE name = :name', { name });
}

/** The statement that a migration is at, and whether it was begun. */
export async function stepReached(db: Db, name: string): Promise<{ step: number; begun: boolean }> {
  const row = await db.one<{ step: number; begun: number }>(
    'SELECT step, begun FROM migration_steps WHERE name = :name',
    { name },
  );
  return { step: row?.step ?? 0, begun: Boolean(row?.begun) };
}

export async function noteStep(db: Db, name: string, step: number, begun = false): Promise<void> {
  await db.change(
    `INSERT INTO migration_steps (name, step, begun) VALUES (:name, :step, :begun)
     ON DUPLICATE KEY UPDATE step = :step, begun = :begun`,
    { name, step, begun },
  );
}
