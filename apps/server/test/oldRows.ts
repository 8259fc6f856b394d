import type { Db, Values } from '../src/db/connect.js';

/** A row of a table as it was in an older version, which no model speaks of; gives its id. */
export async function insertRow(db: Db, table: string, row: Values): Promise<number> {
  const columns = Object.keys(row);
  return db.transaction(async () => {
    await db.change(
      `INSERT INTO ${table} (${columns.join(', ')}) VALUES (${columns.map((c) => `:${c}`).join(', ')})`,
      row,
    );
    return Number((await db.one<{ id: number }>('SELECT LAST_INSERT_ID() AS id'))!.id);
  });
}
