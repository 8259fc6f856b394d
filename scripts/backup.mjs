// ./glen backup FILE and ./glen restore FILE: a school in one file, and back.
import { spawn } from 'node:child_process';
import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { text } from 'node:stream/consumers';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { claimFolder, releaseFolder } from './mariadb.mjs';
import { statement } from './processes.mjs';
import { secretFile } from './serve.mjs';
import { runningSchoolDatabase, startSchoolDatabase } from './schoolDatabase.mjs';

/** The line with which a whole dump ends; one that was cut off has none. */
const WHOLE = '-- Dump completed';
/** So many characters of its beginning, and of its end, tell what it is. */
const BEGINNING = 200;

/** What MariaDB's own programs are told of a database server. */
function access({ hostname, port, username, password, pathname }) {
  return {
    database: decodeURIComponent(pathname.slice(1)),
    args: [
      '--no-defaults',
      `-h${hostname}`,
      `-P${port || 3306}`,
      `-u${decodeURIComponent(username)}`,
    ],
    env: { ...process.env, MYSQL_PWD: decodeURIComponent(password) },
  };
}

/** Works with the school's own database; one that does not run is started for as long as that takes. */
export async function withOwnDatabase(dir, work) {
  if (!existsSync(join(dir, 'mysql'))) throw new Error(`There is no school in ${dir}.`);
  const running = await runningSchoolDatabase(dir);
  if (running) return work(new URL(running.url('glen')));
  const mariadb = await startSchoolDatabase(dir);
  try {
    return await work(new URL(mariadb.url('glen')));
  } finally {
    await mariadb.stop();
  }
}

/** A program that has to end well; what it says against it is the reason. */
function run(command, args, env, stdin) {
  const child = spawn(command, args, { env, stdio: [stdin, 'pipe', 'pipe'] });
  let told = '';
  child.stderr.on('data', (data) => (told += data));
  const ended = new Promise((resolve, reject) => {
    child.once('error', reject);
    child.once('exit', (code) =>
      code === 0
        ? resolve()
        : reject(new Error(`${command}: ${told.trim() || `ended with ${code}`}`)),
    );
  });
  return { child, ended };
}

/** The line of a backup that carries the secret which the folder keeps; MariaDB takes it for a remark. */
const SECRET_LINE = /^-- Glen keeps its tokens with (\S+)\n/;

/** What a backup begins with: the folder's secret, where Glen keeps one and nobody has set another. */
function* secretOf(dir) {
  const kept = secretFile(dir);
  if (!process.env.GLEN_SECRET && existsSync(kept))
    yield `-- Glen keeps its tokens with ${readFileSync(kept, 'utf8')}\n`;
}

async function* withSecret(dump, dir) {
  yield* secretOf(dir);
  yield* dump;
}

/** Keeps the secret that came with a backup; where there was none, the next start makes one. */
function keepSecret(secret, dir) {
  if (process.env.GLEN_SECRET) return;
  rmSync(secretFile(dir), { force: true });
  if (secret === undefined) return;
  mkdirSync(dir, { recursive: true });
  writeFileSync(secretFile(dir), secret, { mode: 0o600 });
}

async function dump(url, file, dir) {
  const { database, args, env } = access(url);
  const options = ['--single-transaction', '--hex-blob', '--default-character-set=utf8mb4'];
  const { child, ended } = run('mariadb-dump', [...args, ...options, database], env, 'ignore');
  const unfinished = `${file}.unfinished`;
  try {
    await Promise.all([
      pipeline(
        withSecret(child.stdout, dir),
        createGzip(),
        createWriteStream(unfinished, { mode: 0o600 }),
      ),
      ended,
    ]);
    // Only a whole one takes the place of the one before.
    renameSync(unfinished, file);
  } catch (error) {
    rmSync(unfinished, { force: true });
    throw error;
  }
}

/** Writes the whole school into a file, while it runs too. */
export async function backup(file, dir) {
  const url = process.env.GLEN_DATABASE_URL;
  if (url) await dump(new URL(url), file, dir);
  else await withOwnDatabase(dir, (own) => dump(own, file, dir));
}

/** Throws unless a file is a whole dump, read to its end before anything is replaced by it; gives the secret that it carries. */
async function mustBeWhole(file) {
  if (!existsSync(file)) throw new Error(`There is no file ${file}.`);
  let begin = '';
  let end = '';
  try {
    for await (const part of createReadStream(file).pipe(createGunzip())) {
      const said = part.toString('latin1');
      if (begin.length < BEGINNING) begin += said.slice(0, BEGINNING);
      end = (end + said).slice(-BEGINNING);
    }
  } catch {
    throw new Error(`${file} is no backup of Glen’s, or is damaged.`);
  }
  if (!end.includes(WHOLE)) throw new Error(`${file} is no whole backup.`);
  return SECRET_LINE.exec(begin)?.[1];
}

/** Whatever runs on a database of one's own is not Glen's to stop, so nothing there is replaced. */
async function mustBeEmpty(url) {
  const { database, args, env } = access(url);
  const { child, ended } = run('mariadb', [...args, '-Ne', 'SHOW TABLES', database], env, 'ignore');
  const [tables] = await Promise.all([text(child.stdout), ended]);
  if (tables) throw new Error(`The database ${database} is not empty: restore into a new one.`);
}

async function load(url, file) {
  const { database, args, env } = access(url);
  const { child, ended } = run('mariadb', [...args, database], env, 'pipe');
  await Promise.all([pipeline(createReadStream(file), createGunzip(), child.stdin), ended]);
}

/** Puts the school of a file in the place of what is in the folder; nothing may run there meanwhile. */
export async function restore(file, dir) {
  const secret = await mustBeWhole(file);
  if (process.env.GLEN_DATABASE_URL) {
    const url = new URL(process.env.GLEN_DATABASE_URL);
    await mustBeEmpty(url);
    await load(url, file);
    return keepSecret(secret, dir);
  }
  await claimFolder(dir);
  try {
    const mariadb = await startSchoolDatabase(dir);
    try {
      await statement(mariadb, 'DROP DATABASE IF EXISTS glen');
      await statement(
        mariadb,
        'CREATE DATABASE glen CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci',
      );
      await load(new URL(mariadb.url('glen')), file);
      keepSecret(secret, dir);
    } finally {
      await mariadb.stop();
    }
  } finally {
    releaseFolder(dir);
  }
}
