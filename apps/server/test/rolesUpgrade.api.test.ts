import { randomUUID } from 'node:crypto';
import { afterEach, beforeEach, describe, expect, inject, it } from 'vitest';
import { FIRST_RULES } from '@glen/core';
import { statement } from '../../../scripts/processes.mjs';
import { Db } from '../src/db/connect.js';
import { migrate } from '../src/db/migrate.js';
import { keepMissingWords } from '../src/features/accounts/missingWords.js';
import { personById } from '../src/features/accounts/store.js';
import { findPeople } from '../src/features/find/find.sql.js';
import { someCalendar } from './emptySchool.js';
import { insertRow } from './oldRows.js';

/** The newest migration before somebody could be several things. */
const BEFORE = '0008-moving-in';

let database: string;
let db: Db;

beforeEach(async () => {
  const port = inject('mariadbPort');
  database = `t${randomUUID().replaceAll('-', '').slice(0, 12)}`;
  await statement({ port }, `CREATE DATABASE ${database} CHARACTER SET utf8mb4`);
  db = new Db(`mariadb://root@127.0.0.1:${port}/${database}`);
  await migrate(db, BEFORE);
});
afterEach(async () => {
  await db.close();
  await statement({ port: inject('mariadbPort') }, `DROP DATABASE ${database}`);
});

/** A school as it was made in those days, and the head of it. */
async function headOf({ alone }: { alone: boolean }): Promise<number> {
  await db.change(
    'INSERT INTO school (id, name, calendar, rules, locked, alone) VALUES (1, :name, :calendar, :rules, :locked, :alone)',
    {
      name: 'Old Harbour',
      calendar: JSON.stringify(someCalendar()),
      rules: JSON.stringify(FIRST_RULES),
      locked: '[]',
      alone: alone ? 1 : 0,
    },
  );
  const id = await insertRow(db, 'people', { name: 'Ines Okoro', role: 'head' });
  await migrate(db);
  await keepMissingWords(db);
  return id;
}

describe('whoever was head before', () => {
  it('is head still, and is found by any word of their name', async () => {
    const id = await headOf({ alone: false });
    expect(await personById(db, id)).toEqual({ id, name: 'Ines Okoro', roles: ['head'] });
    expect((await findPeople(db, 'oko')).map((p) => p.id)).toEqual([id]);
  });
  it('is teacher and office where they taught alone', async () => {
    const id = await headOf({ alone: true });
    expect((await personById(db, id))!.roles).toEqual(['office', 'teacher']);
  });
});
