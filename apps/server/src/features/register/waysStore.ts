import { registerWays, type RegisterWays } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { oneMore } from '../../db/versions.js';

const ONLY_ROW = 1;

type Kept = RegisterWays & { version: number };

async function read(db: Db, lock: boolean): Promise<Kept> {
  const attributes = ['registers', 'registers_version'];
  const row = (await db.models.School.findByPk(ONLY_ROW, { attributes, lock }))!;
  return { ...registerWays(row.registers), version: row.registers_version };
}

/** What the school does with its registers. */
export const readWays = (db: Db): Promise<Kept> => read(db, false);

/** The same, held against others until the transaction ends. */
export const heldWays = (db: Db): Promise<Kept> => read(db, true);

export async function writeWays(db: Db, ways: RegisterWays): Promise<void> {
  const change = { registers: ways, registers_version: oneMore('registers_version') };
  await db.models.School.update(change, { where: { id: ONLY_ROW } });
}
