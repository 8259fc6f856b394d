import { randomUUID } from 'node:crypto';
import { afterEach, beforeEach, describe, expect, inject, it } from 'vitest';
import { FIRST_RULES } from '@glen/core';
import { freePort } from '../../../scripts/mariadb.mjs';
import { statement } from '../../../scripts/processes.mjs';
import { readConfig } from '../src/config.js';
import { Db } from '../src/db/connect.js';
import { migrate } from '../src/db/migrate.js';
import { hashPassword } from '../src/features/accounts/passwords.js';
import { offerMovingIn } from '../src/features/moveIn/service.js';
import { startServer, type RunningServer } from '../src/start.js';
import { someCalendar } from './emptySchool.js';
import { insertRow } from './oldRows.js';
import { SECRET } from './emptySchool.js';
import { Browser } from './support.js';

/** The newest migration before there was moving in. */
const BEFORE = '0007-posting';
const PASSWORD = 'paper and thread';

let database: string;
let running: RunningServer;
let browser: Browser;

/** A school as it was set down by hand in those days. */
async function oldSchool(db: Db): Promise<void> {
  await db.change(
    'INSERT INTO school (id, name, calendar, rules, locked) VALUES (1, :name, :calendar, :rules, :locked)',
    {
      name: 'Old Harbour',
      calendar: JSON.stringify(someCalendar()),
      rules: JSON.stringify(FIRST_RULES),
      locked: '[]',
    },
  );
  const person = await insertRow(db, 'people', { name: 'Ines Okoro', role: 'teacher' });
  await insertRow(db, 'accounts', {
    person_id: person,
    kind: 'school',
    email: 'ines@harbour.example',
    password_hash: await hashPassword(PASSWORD),
  });
  const classId = await insertRow(db, 'class_periods', {
    ref: 'bookbinding',
    title: 'Bookbinding',
    pennant: JSON.stringify({ letters: 'BO', pattern: 'halves', hue: 'loch' }),
  });
  await insertRow(db, 'class_staff', { class_id: classId, person_id: person, as_what: 'host' });
  const link = await insertRow(db, 'links', {
    code: 'heron-7k3m9qvd2xt',
    class_id: classId,
    label: 'Lessons',
    made_at: '2026-09-01 08:00:00',
  });
  await insertRow(db, 'link_codes', { code: 'heron-7k3m9qvd2xt', link_id: link });
  await insertRow(db, 'link_audience', { link_id: link, class_id: classId });
}

beforeEach(async () => {
  const port = inject('mariadbPort');
  database = `t${randomUUID().replaceAll('-', '').slice(0, 12)}`;
  await statement({ port }, `CREATE DATABASE ${database} CHARACTER SET utf8mb4`);
  const url = `mariadb://root@127.0.0.1:${port}/${database}`;
  const db = new Db(url);
  await migrate(db, BEFORE);
  await oldSchool(db);
  await db.close();
  const ownPort = await freePort();
  const publicUrl = `http://127.0.0.1:${ownPort}`;
  running = await startServer(
    readConfig({
      GLEN_DATABASE_URL: url,
      GLEN_PUBLIC_URL: publicUrl,
      GLEN_SECRET: SECRET,
      GLEN_PORT: String(ownPort),
    }),
    { checkAnswers: true },
  );
  browser = new Browser(publicUrl);
});
afterEach(async () => {
  await running.stop();
  await statement({ port: inject('mariadbPort') }, `DROP DATABASE ${database}`);
});

describe('a school of the version before moving in', () => {
  it('goes on: nobody is asked to move in, its people sign in, its links lead where they led', async () => {
    expect(await offerMovingIn(running.glen)).toBeNull();
    const me = await browser.post('/api/sign-in', {
      email: 'ines@harbour.example',
      password: PASSWORD,
    });
    expect(me.body).toMatchObject({ school: { name: 'Old Harbour', help: '' } });
    const { classes } = (await browser.get('/api/classes')).body;
    expect(classes).toMatchObject([{ title: 'Bookbinding', mine: 'host' }]);
    expect((await browser.get('/api/door/heron-7k3m9qvd2xt')).body.title).toBe('Bookbinding');
    expect((await browser.get('/api/today')).body.left).toEqual([]);
  });

  it('makes class periods and fills rolls from then on', async () => {
    await browser.post('/api/sign-in', { email: 'ines@harbour.example', password: PASSWORD });
    const made = await browser.post('/api/classes', { title: 'Gilding' });
    expect(made.status).toBe(200);
    const { id } = made.body.class;
    const people = [{ name: 'Ansel Grue', email: 'a.grue@harbour.example' }];
    expect((await browser.post(`/api/classes/${id}/roll`, { people })).body.rollSize).toBe(1);
  });
});
