import { describe, expect, it } from 'vitest';
import { Clock } from '../src/clock.js';
import type { Db } from '../src/db/connect.js';

/** A database that answers a reading only when told to. */
function slowDatabase(): { db: Db; answer: (offset: number) => void } {
  let answer: (offset: number) => void = () => undefined;
  const SchoolClock = {
    findByPk: () =>
      new Promise((resolve) => {
        answer = (offset) => resolve({ offset_seconds: offset });
      }),
    upsert: () => Promise.resolve(),
  };
  const db = { models: { SchoolClock } } as unknown as Db;
  return { db, answer: (offset) => answer(offset) };
}

describe('the school’s clock', () => {
  it('takes over what another process has set', async () => {
    const { db, answer } = slowDatabase();
    const clock = new Clock(db, () => 0);
    const reading = clock.refresh();
    answer(60);
    await reading;
    expect(clock.school()).toBe('1970-01-01T00:01:00Z');
  });

  it('is not put back by a reading that began before it was set', async () => {
    const { db, answer } = slowDatabase();
    const clock = new Clock(db, () => 0);
    const reading = clock.refresh();
    await clock.setOffset(3600);
    answer(60);
    await reading;
    expect(clock.school()).toBe('1970-01-01T01:00:00Z');
  });
});
