import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Db } from '../src/db/connect.js';
import { migrate } from '../src/db/migrate.js';
import { changeAsRead } from '../src/db/versions.js';
import { ownDatabase, type OwnDatabase } from './ownDatabase.js';

let own: OwnDatabase;
let db: Db;
beforeEach(async () => {
  own = await ownDatabase({ poolSize: 4 });
  ({ db } = own);
  await migrate(db);
});
afterEach(() => own.drop());

const names = async (): Promise<string[]> =>
  (await db.models.Person.findAll({ order: ['id'] })).map((person) => person.name);

describe('a transaction', () => {
  it('takes along whatever is asked within, by model or by statement, however deep', async () => {
    const deep = async (): Promise<void> => {
      await db.models.Person.create({ name: 'by a model' });
      await db.change('UPDATE people SET name = :name', { name: 'by a statement' });
      await db.models.Person.findOrCreate({ where: { name: 'found or made' } });
    };
    const begun = db.transaction(async () => {
      await deep();
      expect(await names()).toEqual(['by a statement', 'found or made']);
      expect(await db.prepared('SELECT name FROM people', {})).toHaveLength(2);
      throw new Error('undone');
    });
    await expect(begun).rejects.toThrow('undone');
    expect(await names()).toEqual([]);
  });
  it('refuses a statement that would leave it', async () => {
    await expect(
      db.transaction(() => db.models.Person.create({ name: 'outside' }, { transaction: null })),
    ).rejects.toThrow('A statement leaves the transaction that runs.');
    expect(await names()).toEqual([]);
  });
  it('lets go what is begun apart from it', async () => {
    await db.transaction(async () => {
      await db.models.Person.create({ name: 'within' });
      expect(await db.apart(() => db.models.Person.count())).toBe(0);
    });
    expect(await names()).toEqual(['within']);
  });
  it('is begun again where the database broke a deadlock, so that both are done', async () => {
    const [one, other] = [
      await db.models.Person.create({ name: 'one' }),
      await db.models.Person.create({ name: 'other' }),
    ];
    let met = 0;
    let open: () => void = () => {};
    const both = new Promise<void>((resolve) => {
      open = resolve;
    });
    /** Each holds one row, and once both do, wants the other's. */
    const cross = (first: number, second: number, word: string): Promise<void> =>
      db.transaction(async () => {
        await db.models.Person.update({ name: `${word} first` }, { where: { id: first } });
        if (++met === 2) open();
        await both;
        await db.models.Person.update({ name: `${word} second` }, { where: { id: second } });
      });
    await Promise.all([cross(one.id, other.id, 'a'), cross(other.id, one.id, 'b')]);
    expect(met).toBe(3);
    expect((await names()).map((name) => name.slice(2)).sort()).toEqual(['first', 'second']);
  });
  it('waits for a connection while all are in use, and needs no second one', async () => {
    const write = (n: number): Promise<void> =>
      db.transaction(async () => {
        await db.models.Person.create({ name: `person ${n}` });
        await db.rows('SELECT SLEEP(0.005)');
        await db.models.Person.count();
      });
    await Promise.all(Array.from({ length: 200 }, (_, n) => write(n)));
    expect(await db.models.Person.count()).toBe(200);
  });
});

describe('a statement', () => {
  it('is refused where one of its names is misspelt', async () => {
    await expect(
      db.rows('SELECT id FROM people WHERE id = :personId', { persnoId: 1 }),
    ).rejects.toThrow(/personId/);
    await expect(
      db.prepared('SELECT id FROM people WHERE id = :personId', { persnoId: 1 }),
    ).rejects.toThrow(/personId/);
  });
});

describe('a row with a version', () => {
  it('is changed by one of two who read it, and raised', async () => {
    const { id } = await db.models.Person.create({ name: 'Ines' });
    const change = (name: string): Promise<boolean> =>
      changeAsRead(db.models.Person, { id, version: 1 }, { name });
    const changed = await Promise.all([change('Ines Okoro'), change('Ines O.')]);
    expect(changed.sort()).toEqual([false, true]);
    expect((await db.models.Person.findByPk(id))!.version).toBe(2);
  });
});

describe('a model', () => {
  it('gives instants as text in UTC and flags as yes or no, when made, found, asked for and plain', async () => {
    const { Person, Notice } = db.models;
    const { id } = await Person.create({ name: 'Ines' });
    const made_at = '2026-10-14T13:45:00Z';
    const made = await Notice.create({ person_id: id, title: 'x', text: 'y', made_at });
    const found = (await Notice.findOne({ where: { made_at } }))!;
    for (const notice of [made, found, made.get({ plain: true }), found.get({ plain: true })])
      expect([notice.made_at, notice.seen]).toEqual([made_at, false]);
    expect(await db.rows('SELECT made_at FROM notices')).toEqual([{ made_at }]);
  });
  it('keeps what is put into JSON, texts with colons and question marks too', async () => {
    const told = { changes: 'none' as const };
    const { id } = await db.models.Person.create({ name: 'What? :id “quoted” \\', told });
    const found = (await db.models.Person.findByPk(id))!;
    expect([found.name, found.told]).toEqual(['What? :id “quoted” \\', told]);
  });
});
