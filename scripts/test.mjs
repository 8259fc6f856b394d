// ./glen test [static|unit|api|e2e|changed]: types and lint, unit, API on a real database, browser. Without a word all of
// them; `changed` runs what the work in hand can reach. Ends with the time of each stage and the count of all.
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root } from './build.mjs';
import { faultsOfPlaywright, faultsOfVitest } from './faults.mjs';
import { startMariadb } from './mariadb.mjs';

const bin = (name) => join(root, 'node_modules', '.bin', name);
const run = (command, args, env = {}) =>
  spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
    .status === 0;

/** Checks that pass or fail as one, the longest first. */
const CHECKS = [
  ['lint', 'eslint', ['.']],
  ['types', 'tsc', ['-p', 'tsconfig.json']],
  ['types of the pages', 'tsc', ['-p', 'apps/web/tsconfig.json']],
  ['types of the browser tests', 'tsc', ['-p', 'e2e/tsconfig.json']],
  ['nothing unused', 'knip', ['--no-config-hints']],
  [
    'no circles',
    'depcruise',
    ['-c', '.dependency-cruiser.mjs', 'apps', 'packages', 'demo', 'e2e', 'scripts'],
  ],
];
/** So many checks at once: a machine has two cores. */
const AT_ONCE = 2;

/** Runs a check and says what it said, once it has ended. */
function check([name, command, args]) {
  return new Promise((resolve) => {
    const child = spawn(bin(command), args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (data) => {
        said += data;
      });
    child.once('close', (code) => {
      console.log(`\n— ${name}: ${code === 0 ? 'fine' : 'not fine'}`);
      if (code !== 0) console.log(said.trim());
      resolve({ name, fine: code === 0 });
    });
  });
}

async function statics() {
  const waiting = [...CHECKS];
  const results = [];
  const work = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) results.push(await check(next));
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  const faults = results.filter(({ fine }) => !fine).map(({ name }) => `static: ${name}`);
  return { passed: results.length - faults.length, failed: faults.length, faults };
}

function vitest(project, out, more = []) {
  const report = join(out, `${project}.json`);
  const fine = run(bin('vitest'), [
    'run',
    '--project',
    project,
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
    ...more,
  ]);
  const said = JSON.parse(readFileSync(report, 'utf8'));
  const { numPassedTests, numFailedTests, numFailedTestSuites } = said;
  // A file that could not even begin counts as a failure of its own.
  return {
    passed: numPassedTests,
    failed: Math.max(numFailedTests, fine ? 0 : Math.max(1, numFailedTests || numFailedTestSuites)),
    faults: faultsOfVitest(said),
  };
}

async function browser(out, args) {
  const mariadb = await startMariadb(join(out, 'data'), { throwaway: true });
  const report = join(out, 'e2e.json');
  try {
    const fine = run(bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts', ...args], {
      GLEN_TEST_MARIADB: String(mariadb.port),
      PLAYWRIGHT_JSON_OUTPUT_NAME: report,
    });
    const said = JSON.parse(readFileSync(report, 'utf8'));
    const { stats } = said;
    if (stats.flaky > 0)
      console.log(`\n${stats.flaky} passed at the second try only; playwright names them above.`);
    return {
      passed: stats.expected + stats.flaky,
      failed: Math.max(stats.unexpected, fine ? 0 : 1),
      faults: faultsOfPlaywright(said),
    };
  } finally {
    await mariadb.stop();
  }
}

const isTouched = (files, ...places) =>
  files.some((file) => places.some((place) => file.startsWith(place)));

/** The files that differ from the last commit. */
function filesInHand() {
  const list = (args) => {
    const { stdout } = spawnSync('git', args, { cwd: root, encoding: 'utf8' });
    return stdout.split('\n').filter(Boolean);
  };
  return [
    ...list(['diff', '--name-only', 'HEAD']),
    ...list(['ls-files', '--others', '--exclude-standard']),
  ];
}

/** What a change can reach: Vitest and Playwright follow the imports of what they run; pages are met by the browser alone. */
function stagesForChange(out) {
  const files = filesInHand();
  // What tests are made of reaches no page.
  const shipped = files.filter((file) => !file.includes('/test/'));
  const reachesPages = isTouched(shipped, 'apps/', 'packages/', 'demo/', 'scripts/');
  return {
    static: statics,
    unit: () => vitest('unit', out, ['--changed', '--passWithNoTests']),
    api: () => vitest('api', out, ['--changed', '--passWithNoTests']),
    ...(reachesPages || isTouched(files, 'e2e/')
      ? {
          browser: () =>
            browser(out, reachesPages ? [] : ['--only-changed', '--pass-with-no-tests']),
        }
      : {}),
  };
}

/** The stages that a word asks for, in order, each with its name. */
function stagesFor(kind, args, out) {
  const all = {
    static: statics,
    unit: () => vitest('unit', out, args),
    api: () => vitest('api', out, args),
    e2e: () => browser(out, args),
  };
  if (kind === 'changed') return stagesForChange(out);
  return kind ? { [kind]: all[kind] } : all;
}

const inMinutes = (ms) => `${Math.floor(ms / 60000)} min ${Math.round((ms % 60000) / 1000)} s`;

export async function main([kind, ...args]) {
  if (kind !== undefined && !['static', 'unit', 'api', 'e2e', 'changed'].includes(kind)) {
    console.error('Which tests? static, unit, api, e2e or changed; without a word all of them.');
    return 2;
  }
  const out = mkdtempSync(join(tmpdir(), 'glen-tests-'));
  const results = [];
  try {
    for (const [name, stage] of Object.entries(stagesFor(kind, args, out))) {
      console.log(`\n— ${name}`);
      const begun = performance.now();
      results.push({ name, ...(await stage()), ms: performance.now() - begun });
    }
  } finally {
    rmSync(out, { recursive: true, force: true });
  }
  const sum = (key) => results.reduce((total, r) => total + r[key], 0);
  for (const { faults } of results) for (const fault of faults) console.log(`\nfailed: ${fault}`);
  console.log('');
  for (const { name, ms } of results) console.log(`${name}: ${inMinutes(ms)}`);
  console.log(`all: ${inMinutes(sum('ms'))}`);
  console.log(`\n${sum('passed')} passed, ${sum('failed')} failed`);
  return sum('failed') === 0 ? 0 : 1;
}
