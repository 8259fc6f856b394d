import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { root } from '../build.mjs';

const SERVER = join(root, 'apps/server/src');
/** So many statements by hand are the most: models ask the rest. */
const MOST = 60;
const TESTS = join(root, 'apps/server/test');
/** What runs statements that stand elsewhere: the connection itself, and the migrations. */
const CARRIERS = ['db/connect.ts', 'db/migrate.ts'];

const sources = (readdirSync(SERVER, { recursive: true }) as string[]).filter((file) =>
  file.endsWith('.ts'),
);

const statementsIn = (file: string): number =>
  readFileSync(join(SERVER, file), 'utf8').match(/\bdb\.(rows|one|change|prepared|define)[<(]/g)
    ?.length ?? 0;

describe('statements by hand', () => {
  const counted = sources
    .filter((file) => !CARRIERS.includes(file))
    .map((file) => ({ file, count: statementsIn(file) }))
    .filter(({ count }) => count > 0);

  it(`are ${MOST} at the most`, () => {
    const all = counted.reduce((sum, { count }) => sum + count, 0);
    expect(all).toBeGreaterThan(0);
    expect(all).toBeLessThanOrEqual(MOST);
  });
  it('stand in files of their own', () => {
    expect(counted.filter(({ file }) => !file.endsWith('.sql.ts'))).toEqual([]);
  });
  it('are held against the models on random data', () => {
    const tests = readdirSync(TESTS)
      .filter((file) => /^questionsOf|property|^meantAsDefined/.test(file))
      .map((file) => readFileSync(join(TESTS, file), 'utf8'))
      .join('\n');
    // Tests of the migrations hold their books against the schema.
    const questions = counted.filter(({ file }) => !file.startsWith('db/'));
    const untested = questions.filter(
      ({ file }) => !tests.includes(`/src/${file.replace(/\.ts$/, '.js')}'`),
    );
    expect(untested).toEqual([]);
  });
});
