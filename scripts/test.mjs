// ./glen test [unit|api|e2e]: types, lint, unit, API on a real database, browser. Ends with the count of all.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root } from './build.mjs';
import { startMariadb } from './mariadb.mjs';

const bin = (name) => join(root, 'node_modules', '.bin', name);
const run = (command, args, env = {}) =>
  spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
    .status === 0;

/** A check that passes or fails as one. */
function check(name, command, args) {
  console.log(`\n— ${name}`);
  return run(command, args) ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
}

function vitest(project, out) {
  console.log(`\n— ${project}`);
  const report = join(out, `${project}.json`);
  const fine = run(bin('vitest'), [
    'run',
    '--project',
    project,
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ]);
  const { numPassedTests, numFailedTests, numFailedTestSuites } = JSON.parse(
    readFileSync(report, 'utf8'),
  );
  // A file that could not even begin counts as a failure of its own.
  return {
    passed: numPassedTests,
    failed: Math.max(numFailedTests, fine ? 0 : Math.max(1, numFailedTests || numFailedTestSuites)),
  };
}

async function browser(out, args) {
  console.log('\n— browser');
  const mariadb = await startMariadb(join(out, 'data'), { throwaway: true });
  const report = join(out, 'e2e.json');
  try {
    const fine = run(bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts', ...args], {
      GLEN_TEST_MARIADB: String(mariadb.port),
      PLAYWRIGHT_JSON_OUTPUT_NAME: report,
    });
    const { stats } = JSON.parse(readFileSync(report, 'utf8'));
    if (stats.flaky > 0)
      console.log(`\n${stats.flaky} passed at the second try only; playwright names them above.`);
    return {
      passed: stats.expected + stats.flaky,
      failed: Math.max(stats.unexpected, fine ? 0 : 1),
    };
  } finally {
    await mariadb.stop();
  }
}

export async function main([kind, ...args]) {
  if (kind !== undefined && !['unit', 'api', 'e2e'].includes(kind)) {
    console.error('Which tests? unit, api or e2e; without a word all of them.');
    return 2;
  }
  const out = mkdtempSync(join(tmpdir(), 'glen-tests-'));
  const results = [];
  try {
    if (!kind) {
      results.push(
        check('types', bin('tsc'), ['-p', 'tsconfig.json']),
        check('types of the pages', bin('tsc'), ['-p', 'apps/web/tsconfig.json']),
        check('types of the browser tests', bin('tsc'), ['-p', 'e2e/tsconfig.json']),
        check('lint', bin('eslint'), ['.']),
        check('nothing unused', bin('knip'), ['--no-config-hints']),
        check('no circles', bin('depcruise'), [
          '-c',
          '.dependency-cruiser.mjs',
          'apps',
          'packages',
          'demo',
          'e2e',
          'scripts',
        ]),
      );
    }
    if (!kind || kind === 'unit') results.push(vitest('unit', out));
    if (!kind || kind === 'api') results.push(vitest('api', out));
    if (!kind || kind === 'e2e') results.push(await browser(out, args));
  } finally {
    rmSync(out, { recursive: true, force: true });
  }
  const sum = (key) => results.reduce((total, r) => total + r[key], 0);
  console.log(`\n${sum('passed')} passed, ${sum('failed')} failed`);
  return sum('failed') === 0 ? 0 : 1;
}
