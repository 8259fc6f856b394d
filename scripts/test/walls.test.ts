import { ESLint, type Linter } from 'eslint';
import tseslint from 'typescript-eslint';
import { describe, expect, it } from 'vitest';
import { root } from '../build.mjs';

// The files are made up, so no TypeScript project knows them: rules that ask of the types are left out.
const eslint = new ESLint({
  cwd: root,
  overrideConfig: tseslint.configs.disableTypeChecked as Linter.Config,
});
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
  }, 60000);
  it('let nothing but the clocks ask the time', async () => {
    expect(
      await rulesBroken('apps/server/src/features/bad.ts', 'export const x = Date.now();\n'),
    ).toEqual(['no-restricted-syntax']);
    expect(await rulesBroken('packages/core/src/bad.ts', 'export const x = new Date();\n')).toEqual(
      ['no-restricted-syntax'],
    );
  }, 60000);
});
