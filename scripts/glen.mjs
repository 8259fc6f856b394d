// The one script behind ./glen: up · serve · build · backup · restore · test · bench · parts · shots · format · db
import { createHash } from 'node:crypto';
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBrowsers } from './browser.mjs';
import { beginFamily } from './family.mjs';
import { holding, take } from './locks.mjs';
import { claimFolder, ensurePackages, freePort, startMariadb } from './mariadb.mjs';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const say = (text) => console.log(text);
const DATABASE = { mariadbd: 'mariadb-server' };

/** Installs the npm packages where the lock file has changed since the last time. */
function ensureModules() {
  const lock = readFileSync(join(root, 'package-lock.json'));
  const hash = createHash('sha256').update(lock).digest('hex');
  const stamp = join(root, 'node_modules', '.glen-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return;
  say('Installing packages …');
  const result = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (result.status !== 0) throw new Error('npm ci failed; see above.');
  writeFileSync(stamp, hash);
}

/** One start at a time installs and builds what all of them use. */
const alone = (work) =>
  holding(`preparing ${root}`, work, () => say('Waiting for another start to be done …'));

const prepare = ({ browser = false, database = true } = {}) =>
  alone(async () => {
    if (database) ensurePackages(DATABASE, say);
    if (browser) ensureBrowsers(say);
    ensureModules();
    const { build } = await import('./build.mjs');
    await build();
  });

function optionsOf(args, known) {
  const options = { rest: [] };
  for (let i = 0; i < args.length; i++) {
    const name = args[i].startsWith('--') ? args[i].slice(2) : null;
    if (name === null) options.rest.push(args[i]);
    else if (!(name in known))
      throw new Error(
        `There is no option --${name}. Known: ${Object.keys(known)
          .map((k) => `--${k}`)
          .join(', ')}`,
      );
    else if (known[name] === 'flag') options[name] = true;
    else if (args[i + 1] === undefined) throw new Error(`--${name} wants a value.`);
    else options[name] = args[++i];
  }
  return options;
}

const untilStopped = () =>
  new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, resolve);
  });

async function up(args) {
  const options = optionsOf(args, {
    port: 'value',
    data: 'value',
    at: 'value',
    live: 'flag',
    fresh: 'flag',
  });
  if (options.at && !/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(options.at))
    throw new Error('--at wants a date and time such as 2026-10-14T10:31');
  const dir = resolve(options.data ?? join(root, '.glen', 'data'));
  await prepare();
  await claimFolder(dir);
  if (options.fresh) rmSync(dir, { recursive: true, force: true });
  const { startDemo } = await import('./processes.mjs');
  const mariadb = await startMariadb(dir);
  let demo;
  try {
    const port = options.port ? Number(options.port) : 4870;
    demo = await startDemo({
      mariadb,
      database: 'glen',
      port: options.port ? port : await freeOr(port),
      onRestart: say,
      at: options.live ? 'live' : (options.at ?? '2026-10-14T10:31'),
    });
  } catch (error) {
    await mariadb.stop();
    throw error;
  }
  say(`\n  Demo sign-ins (password fair-winds-2026): o.marsh@merrow.example (teacher), s.aalto@merrow.example (visiting teacher),
  ansel.grue@merrow.example (student), n.achterberg@merrow.example (head). The sign-in page offers everyone with one click.
  The class streams, as a student sees them: ${demo.courseSite}
  The mailboxes of everybody: ${demo.mail}\n`);
  // Whoever reads the line may stop it at once.
  const stopped = untilStopped();
  say(`Glen is ready at ${demo.publicUrl}`);
  await stopped;
  await demo.stop();
  await mariadb.stop();
  say('Stopped.');
}

/** The wished port where it is free and no other start has it in mind, so that addresses stay the same; else any. */
async function freeOr(port) {
  if (!(await take(`port ${port}`))) return freePort();
  const net = await import('node:net');
  const free = await new Promise((done) => {
    const server = net
      .createServer()
      .once('error', () => done(false))
      .listen(port, '127.0.0.1', () => server.close(() => done(true)));
  });
  return free ? port : freePort();
}

/** A school of one's own. */
async function serve(args) {
  const options = optionsOf(args, {
    port: 'value',
    data: 'value',
    url: 'value',
    host: 'flag',
    insecure: 'flag',
  });
  const dir = resolve(options.data ?? join(root, '.glen', 'school'));
  const isOwn = !process.env.GLEN_DATABASE_URL;
  await prepare({ database: isOwn });
  const { serve: run } = await import('./serve.mjs');
  process.exitCode = await run(options, dir);
}

async function runScript(path, args) {
  await prepare({ browser: true });
  const { main } = await import(path);
  process.exitCode = await main(args);
}

/** Formats everything that Prettier knows, as `./glen test` wants it. */
async function format() {
  await alone(ensureModules);
  process.exitCode =
    spawnSync(join(root, 'node_modules/.bin/prettier'), ['--write', '--log-level', 'warn', '.'], {
      cwd: root,
      stdio: 'inherit',
    }).status ?? 1;
}

/** The file that a command is about, and the school's folder. */
function fileAndFolder(args, command) {
  const { rest, data } = optionsOf(args, { data: 'value' });
  if (rest.length !== 1) throw new Error(`Which file? ./glen ${command} FILE`);
  return [resolve(rest[0]), resolve(data ?? join(root, '.glen', 'school'))];
}

async function backup(args) {
  const [file, dir] = fileAndFolder(args, 'backup');
  await alone(ensureModules);
  const { backup: run } = await import('./backup.mjs');
  await run(file, dir);
  say(`The school stands in ${file}.`);
}

async function restore(args) {
  const [file, dir] = fileAndFolder(args, 'restore');
  await alone(ensureModules);
  const { restore: run } = await import('./backup.mjs');
  await run(file, dir);
  say('The school is as it was in the file. Start it with ./glen serve.');
}

/** Builds what `serve` runs, so that a start need not. */
const buildOnce = () =>
  alone(async () => {
    ensureModules();
    const { build } = await import('./build.mjs');
    say((await build()) ? 'Built.' : 'Nothing has changed since it was built.');
  });

/** What a school's database has had of the migrations, or brings it up to date; without a verb a client on the running demo's. */
async function db(args) {
  const { data, rest } = optionsOf(args, { data: 'value' });
  const [verb] = rest;
  if (verb === undefined) return databaseClient(data);
  if (!['migrate', 'status'].includes(verb))
    throw new Error('There are ./glen db, ./glen db migrate and ./glen db status.');
  await prepare({ database: !process.env.GLEN_DATABASE_URL });
  const { database } = await import('./database.mjs');
  process.exitCode = await database(verb, resolve(data ?? join(root, '.glen', 'school')));
}

function databaseClient(data) {
  const port = readFileSync(
    join(resolve(data ?? join(root, '.glen', 'data')), 'mariadbd.port'),
    'utf8',
  );
  process.exitCode =
    spawnSync('mariadb', ['--no-defaults', '-h127.0.0.1', `-P${port}`, '-uroot', 'glen'], {
      stdio: 'inherit',
    }).status ?? 1;
}

/** The gallery of the interface's parts, for whoever works on them. */
async function parts(args) {
  const { serveParts } = await import('./parts.mjs');
  const { port } = optionsOf(args, { port: 'value' });
  const { url, stop } = await serveParts({ port: Number(port ?? 4860) });
  say(`The parts are at ${url}`);
  await untilStopped();
  await stop();
}

const HELP = [
  './glen up [--port N] [--data DIR] [--at 2026-10-14T10:31] [--live] [--fresh]   the demo school',
  './glen serve [--port N] [--data DIR] [--url ADDRESS] [--host]   a school of your own (docs/running.md)',
  './glen build                      builds what serve runs',
  './glen backup FILE [--data DIR]   the school in one file',
  './glen restore FILE [--data DIR]  and back from it',
  './glen test [WORD]                all tests; static, unit, api, e2e or changed',
  './glen bench [NAME] [--json]      figures beside their references',
  './glen parts [--port N]           the parts of the interface, each in its states, as they are written',
  './glen shots                      remakes docs/screenshots',
  './glen format                     formats the code',
  './glen db                         a database client on the running demo',
  './glen db status [--data DIR]     which migrations a school’s database has had',
  './glen db migrate [--data DIR]    brings it up to date without a start',
].join('\n');

const [command = 'help', ...args] = process.argv.slice(2);
const commands = {
  up: () => up(args),
  serve: () => serve(args),
  build: buildOnce,
  backup: () => backup(args),
  restore: () => restore(args),
  db: () => db(args),
  format,
  test: () => runScript('./test.mjs', args),
  bench: () => runScript('../bench/main.mjs', args),
  parts: () => parts(args),
  shots: () => runScript('./shots.mjs', args),
};
try {
  if (!(command in commands)) {
    say(HELP);
    process.exitCode = command === 'help' ? 0 : 2;
  } else {
    beginFamily(root);
    await commands[command]();
  }
} catch (error) {
  console.error(error.message);
  process.exitCode = 1;
}
