import supertest from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../src/app.js';
import { Db } from '../src/db/connect.js';
import { outboxLag } from '../src/operating/figuresStore.js';
import { Housekeeping } from '../src/operating/housekeeping.js';
import { startSchool, type School } from './support.js';

let school: School;
beforeAll(async () => {
  school = await startSchool();
});
afterAll(() => school.stop());

const ask = (path: string, headers: Record<string, string> = {}) =>
  supertest(school.url).get(path).set(headers);

describe('how a process is', () => {
  it('is told to anybody: it answers, and can work', async () => {
    expect((await ask('/health')).body).toEqual({ health: 'well' });
    const ready = await ask('/ready');
    expect(ready.status).toBe(200);
    expect(ready.body).toMatchObject({ ready: true, database: 'answers', migrations: [] });
    expect(ready.body.outbox.lagSeconds).toBeGreaterThanOrEqual(0);
  });

  it('is not ready while its database lacks a migration, or does not answer', async () => {
    const { db } = school.running.glen;
    const name = '0019-leftovers';
    await db.change('DELETE FROM migrations WHERE name = :name', { name });
    const behind = await ask('/ready');
    await db.change('INSERT INTO migrations (name) VALUES (:name)', { name });
    expect(behind.status).toBe(503);
    expect(behind.headers['retry-after']).toBe('5');
    expect(behind.body).toMatchObject({ ready: false, migrations: [name] });

    const away = new Db('mariadb://root@127.0.0.1:1/nowhere');
    const app = createApp({ ...school.running.glen, db: away });
    const told = await supertest(app).get('/ready');
    expect([told.status, told.body.database]).toEqual([503, 'does not answer']);
    expect((await supertest(app).get('/health')).status).toBe(200);
    await away.close();
  });

  it('tells how long the oldest job that is due has waited; what is not due waits for nothing', async () => {
    const { db, clock } = school.running.glen;
    const job = { kind: 'look' as const, payload: {}, subject: 'nobody' };
    const lags: number[] = [];
    // Undone before any runner could see it.
    const undone = new Error('undone');
    const work = db.transaction(async () => {
      await db.models.OutboxJob.create({ ...job, due_at: clock.machine(3600) });
      await db.models.OutboxJob.create({
        ...job,
        due_at: clock.machine(-900),
        due_school: '2099-01-01T00:00:00Z',
      });
      lags.push(await outboxLag(db, clock));
      await db.models.OutboxJob.create({ ...job, due_at: clock.machine(-400) });
      lags.push(await outboxLag(db, clock));
      throw undone;
    });
    await expect(work).rejects.toBe(undone);
    // What others put in a moment ago waits for as long as a busy machine lets it.
    const others = lags[0]!;
    expect(lags[1]).toBeGreaterThanOrEqual(Math.max(400, others));
    expect(Math.max(others, lags[1]!)).toBeLessThan(900);
  });
});

describe('the figures', () => {
  it('are for this machine, by endpoint and status, and of the school', async () => {
    await ask('/api/school');
    const { text, headers } = await ask('/metrics');
    expect(headers['content-type']).toContain('text/plain; version=0.0.4');
    expect(text).toMatch(/glen_request_seconds_count{endpoint="school",status="\d+"} \d+/);
    for (const figure of ['glen_outbox_jobs{state="queued"}', 'glen_rooms', 'process_cpu'])
      expect(text).toContain(figure);
  });

  it('are not for whoever comes by a proxy on the same machine', async () => {
    for (const [name, value] of [
      ['X-Forwarded-For', '198.51.100.7'],
      ['Forwarded', 'for=198.51.100.7'],
    ] as const)
      expect((await ask('/metrics', { [name]: value })).status).toBe(403);
  });

  it('are for whoever bears the token, where there is one, and nobody else', async () => {
    const { config } = school.running.glen;
    const app = createApp({
      ...school.running.glen,
      config: { ...config, metricsToken: 'sixteen letters!' },
    });
    const status = async (authorization: string) =>
      (await supertest(app).get('/metrics').set('Authorization', authorization)).status;
    expect(await status('Bearer sixteen letters!')).toBe(200);
    expect(await status('Bearer sixteen letters?')).toBe(403);
    expect(await status('')).toBe(403);
  });
});

describe('housekeeping', () => {
  /** Instants of machine time. */
  const ago = (days: number): string => school.running.glen.clock.machine(-days * 86400);

  it('takes away what is of no use any more, and nothing else', async () => {
    const { db } = school.running.glen;
    const { Change, Failure, OutboxJob, WebhookSeen, BrowserSession, AuditEntry } = db.models;
    const change = (days: number, thing_id: number) => ({
      topic: 'school:1',
      thing: 'class' as const,
      thing_id,
      at: ago(days),
    });
    await Change.bulkCreate(Array.from({ length: 1200 }, (_, i) => change(3, 900_000 + i)));
    await Change.create(change(0, 990_000));
    await Failure.bulkCreate([3, 1].map((days) => ({ bucket: `tidy ${days}`, at: ago(days) })));
    await WebhookSeen.bulkCreate([3, 1].map((days) => ({ id: `tidy ${days}`, at: ago(days) })));
    const job = { kind: 'look' as const, payload: {} };
    await OutboxJob.bulkCreate([
      { ...job, subject: 'tidy 8', state: 'done', due_at: ago(8) },
      { ...job, subject: 'tidy 6', state: 'done', due_at: ago(6) },
      { ...job, subject: 'tidy failed', state: 'failed', due_at: ago(8) },
    ]);
    const person = (await db.models.Person.findOne())!.id;
    const back = { person_id: person, calls: [] };
    const old = (days: number): string => school.running.glen.clock.school(-days * 86400);
    await db.models.Lately.bulkCreate([
      { ...back, what: 'tidy 61', at: old(61) },
      { ...back, what: 'tidy 59', at: old(59) },
    ]);
    const session = { account_id: null, begun_at: ago(100), seen_at: ago(0), browser: '' };
    await BrowserSession.bulkCreate([
      { ...session, token_hash: 'e'.repeat(43), expires_at: ago(1) },
      { ...session, token_hash: 'i'.repeat(43), expires_at: ago(-9), seen_at: ago(15) },
      { ...session, token_hash: 'l'.repeat(43), expires_at: ago(-9) },
    ]);
    const entry = { person_id: null, action: 'schedule' as const, subject: 'series:1' };
    const [gone, kept] = [ago(731), ago(729)];
    await AuditEntry.bulkCreate([gone, kept].map((at) => ({ ...entry, at })));

    await new Housekeeping(school.running.glen).tidy();

    expect(await Change.count({ where: { topic: 'school:1', at: ago(3) } })).toBe(0);
    expect(await Change.count({ where: { thing_id: 990_000 } })).toBe(1);
    const left = async (table: string, column: string): Promise<string[]> =>
      (
        await db.rows<{ name: string }>(
          `SELECT ${column} AS name FROM ${table} WHERE ${column} LIKE 'tidy%' ORDER BY ${column}`,
        )
      ).map((row) => row.name);
    expect(await left('failures', 'bucket')).toEqual(['tidy 1']);
    expect(await left('webhooks_seen', 'id')).toEqual(['tidy 1']);
    expect(await left('lately', 'what')).toEqual(['tidy 59']);
    expect(await left('outbox', 'subject')).toEqual(['tidy 6', 'tidy failed']);
    const hashes = ['e', 'i', 'l'].map((letter) => letter.repeat(43));
    const sessions = await BrowserSession.findAll({ where: { token_hash: hashes } });
    expect(sessions.map((row) => row.token_hash)).toEqual(['l'.repeat(43)]);
    const entries = await AuditEntry.findAll({ where: { at: [gone, kept] } });
    expect(entries.map((row) => row.at)).toEqual([kept]);
  });

  it('is done by one process at a time', async () => {
    const { db } = school.running.glen;
    await db.withLock('glen-tidying', async () => {
      await expect(new Housekeeping(school.running.glen).tidy()).rejects.toThrow(
        /another process/i,
      );
    });
  });
});
