import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ESLint, type Linter } from 'eslint';
import tseslint from 'typescript-eslint';
import { describe, expect, it } from 'vitest';
import { root } from '../build.mjs';

// The files are made up, so no TypeScript project knows them: rules that ask of the types are left out.
const eslint = new ESLint({
  cwd: root,
  overrideConfig: tseslint.configs.disableTypeChecked as Linter.Config,
});
const CRUISED = ['apps', 'packages', 'demo', 'e2e', 'scripts'];
const rulesBroken = async (filePath: string, code: string): Promise<(string | null)[]> => {
  const [result] = await eslint.lintText(code, { filePath: `${root}/${filePath}` });
  return result!.messages.map((m) => m.ruleId);
};

describe('the walls of the house', () => {
  it.each([
    [
      'packages/core/src/bad.ts',
      `import { endpoints } from '@glen/contract';\nexport const x = endpoints;\n`,
    ],
    [
      'packages/contract/src/bad.ts',
      `import { Clock } from '../../../apps/server/src/clock.js';\nexport const x = Clock;\n`,
    ],
    [
      'apps/web/src/bad.ts',
      `import { Clock } from '../../server/src/clock.js';\nexport const x = Clock;\n`,
    ],
    [
      'apps/server/src/bad.ts',
      `import { store } from '../../web/src/app/store.js';\nexport const x = store;\n`,
    ],
    [
      'apps/standins/src/bad.ts',
      `import { dayInfo } from '@glen/core';\nexport const x = dayInfo;\n`,
    ],
  ])(
    'keep %s from importing what it may not',
    async (file, code) => {
      expect(await rulesBroken(file, code)).toEqual(['boundaries/dependencies']);
    },
    60000,
  );
  it('let arrows through that point the right way', async () => {
    expect(
      await rulesBroken(
        'apps/server/src/good.ts',
        `import { dayInfo } from '@glen/core';\nimport { endpoints } from '@glen/contract';\nexport const x = [dayInfo, endpoints];\n`,
      ),
    ).toEqual([]);
  });
  it.each([
    [
      'apps/server/src/features/link/bad.ts',
      `import { describeClass } from '../plan/classPeriod.js';\nexport const x = describeClass;\n`,
    ],
    [
      'apps/server/src/features/plan/bad.ts',
      `import type { Wish } from '../post/wishes.js';\nexport type X = Wish;\n`,
    ],
    [
      'apps/web/src/features/plan/bad.ts',
      `import { FeedsButton } from '../feed/Feeds.js';\nexport const x = FeedsButton;\n`,
    ],
  ])(
    'keep %s from what comes after its feature',
    async (file, code) => {
      expect(await rulesBroken(file, code)).toEqual(['boundaries/dependencies']);
    },
    60000,
  );
  it('let a feature build on those before it, and on itself', async () => {
    const good = `import { mayEdit } from '../school/mayEdit.js';\nimport { chosenNotch } from './chosen.js';\nexport const x = [mayEdit, chosenNotch];\n`;
    expect(await rulesBroken('apps/web/src/features/plan/good.ts', good)).toEqual([]);
  });
  it('let SQL be written in files of its own, and models be asked by stores', async () => {
    const sql = `import type { Db } from '../../db/connect.js';\nexport const all = (db: Db) => db.rows('SELECT 1');\n`;
    const rule = ['no-restricted-syntax'];
    expect(await rulesBroken('apps/server/src/features/link/bad.ts', sql)).toEqual(rule);
    expect(await rulesBroken('apps/server/src/features/link/anyStore.ts', sql)).toEqual(rule);
    expect(await rulesBroken('apps/server/src/features/link/any.sql.ts', sql)).toEqual([]);
    const held = sql.replace('db.rows', 'glen.db.rows').replace('db: Db', 'glen: { db: Db }');
    expect(await rulesBroken('apps/server/src/features/link/bad.ts', held)).toEqual(rule);
    const asked = sql.replace(`db.rows('SELECT 1')`, 'db.models.Link.findAll()');
    expect(await rulesBroken('apps/server/src/features/link/bad.ts', asked)).toEqual(rule);
    expect(await rulesBroken('apps/server/src/features/link/anyStore.ts', asked)).toEqual([]);
  });
  it('let the demo school be made by services, and its past alone be set down', async () => {
    const stored = `import { rollIds } from '../apps/server/src/features/classes/store.js';\nexport const x = rollIds;\n`;
    expect(await rulesBroken('demo/bad.ts', stored)).toEqual(['no-restricted-imports']);
    const sql = `import type { Glen } from '../apps/server/src/glen.js';\nexport const all = (glen: Glen) => glen.db.rows('SELECT 1');\n`;
    expect(await rulesBroken('demo/bad.ts', sql)).toEqual(['no-restricted-syntax']);
    expect(await rulesBroken('demo/history.ts', sql)).toEqual([]);
  });
  it.each([
    [
      'a long function',
      `export function f() {\n${'  f();\n'.repeat(61)}}\n`,
      'max-lines-per-function',
    ],
    ['a long file', 'export {};\n'.repeat(351), 'max-lines'],
    [
      'many parameters',
      'export const f = (...[]) => 1;\nexport function g(a: 1, b: 1, c: 1, d: 1, e: 1) {\n  return [a, b, c, d, e];\n}\n',
      'max-params',
    ],
    [
      'a question within a question',
      'export const f = (a: 1) => (a ? 1 : a ? 2 : 3);\n',
      'no-nested-ternary',
    ],
  ])(
    'keep out %s',
    async (_what, code, rule) => {
      expect(await rulesBroken('packages/core/src/bad.ts', code)).toContain(rule);
    },
    60000,
  );
  it('find no circle of imports, not even of types', () => {
    const bin = join(root, 'node_modules/.bin/depcruise');
    const cruise = (config: string, ...paths: string[]) =>
      spawnSync(bin, ['-c', config, ...paths], { cwd: root, encoding: 'utf8' });
    const fixture = mkdtempSync(join(root, '.glen-circle-'));
    try {
      writeFileSync(
        join(fixture, 'a.ts'),
        `import type { B } from './b.js';\nexport type A = B;\n`,
      );
      writeFileSync(
        join(fixture, 'b.ts'),
        `import type { A } from './a.js';\nexport type B = A;\n`,
      );
      expect(cruise('.dependency-cruiser.mjs', fixture).status).not.toBe(0);
    } finally {
      rmSync(fixture, { recursive: true });
    }
    const found = cruise('.dependency-cruiser.mjs', ...CRUISED);
    expect(found.stdout + found.stderr).toContain('no dependency violations found');
  });
  it('let nothing but the clocks ask the time', async () => {
    expect(
      await rulesBroken('apps/server/src/features/bad.ts', 'export const x = Date.now();\n'),
    ).toEqual(['no-restricted-syntax']);
    expect(await rulesBroken('packages/core/src/bad.ts', 'export const x = new Date();\n')).toEqual(
      ['no-restricted-syntax'],
    );
  });
});
