// Glen's own MariaDB on loopback: started by `up`, `test`, `bench`, and by `serve` unless a database is named.
import { spawn, spawnSync } from 'node:child_process';
import {
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statfsSync,
  writeFileSync,
} from 'node:fs';
import net from 'node:net';
import { join, resolve } from 'node:path';
import { holding } from './locks.mjs';

/** A PATH with the sbin beside each of its bins: Debian keeps servers there, and an ordinary user's PATH leaves it out. */
export function withSbin(path) {
  const folders = path.split(':');
  const beside = folders.filter((f) => f.endsWith('/bin')).map((f) => f.replace(/bin$/, 'sbin'));
  return [...new Set([...folders, ...beside])].join(':');
}
process.env.PATH = withSbin(process.env.PATH ?? '');

export const freePort = (host = '127.0.0.1') =>
  new Promise((resolve, reject) => {
    const server = net.createServer();
    server.on('error', reject);
    server.listen(0, host, () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });

const isFree = (port, host) =>
  new Promise((resolve) => {
    const server = net.createServer();
    server.once('error', () => resolve(false));
    server.listen(port, host, () => server.close(() => resolve(true)));
  });

/** How many places of ten ports there are to begin to look at: two test runs at once seldom begin at the same. */
const PLACES = 80;

/**
 * A port for what is started on it again and again: one that nobody else is given meanwhile, below those that the system
 * hands out. The last digit of `from` is kept, so that workers stay apart.
 */
export async function lastingPort(from, host = '127.0.0.1') {
  let port = from + 10 * (process.pid % PLACES);
  while (!(await isFree(port, host))) port += 10;
  return port;
}

/** This very port at another of the machine's own addresses, where it is free; else one that the system hands out. */
export const samePort = async (port, host) => ((await isFree(port, host)) ? port : freePort(host));

const has = (command) => spawnSync('sh', ['-c', `command -v ${command}`]).status === 0;

/** Debian packages that give these commands, installed where we may; otherwise one line says what to run. */
export function ensurePackages(wanted, say) {
  const missing = Object.entries(wanted)
    .filter(([command]) => !has(command))
    .map(([, name]) => name);
  if (missing.length === 0) return;
  const line = `apt-get update && apt-get install -y --no-install-recommends ${missing.join(' ')}`;
  if (process.getuid?.() !== 0 || !has('apt-get'))
    throw new Error(
      `Glen needs ${missing.join(' and ')}. Run this, then try again:  sudo sh -c '${line}'`,
    );
  say(`Installing ${missing.join(', ')} …`);
  const result = spawnSync('sh', ['-c', line], {
    stdio: ['ignore', 'ignore', 'pipe'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });
  if (result.status !== 0)
    throw new Error(
      `Installing failed. Run this, then try again:  ${line}\n${String(result.stderr).trim().split('\n').slice(-3).join('\n')}`,
    );
}

/** Whether it greets whoever comes. Its socket is there before it listens, and a stop that comes in between is never heard. */
const answers = (socket) =>
  new Promise((resolve) => {
    const probe = net.connect(socket);
    probe.once('data', () => {
      probe.destroy();
      resolve(true);
    });
    probe.once('error', () => resolve(false));
    probe.once('close', () => resolve(false));
  });

/** When a process began, in ticks since the machine did: a number that was given out anew is another's. Nothing where it is gone. */
function begunAt(pid) {
  try {
    // What stands in brackets is its name, which may have spaces of its own (proc(5), the 22nd field).
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19];
  } catch {
    return undefined;
  }
}

/** Who uses the folder: the number of a process that still runs. */
function ownerOf(file) {
  if (!existsSync(file)) return undefined;
  const [pid, begun] = readFileSync(file, 'utf8').trim().split(' ');
  const now = begunAt(pid);
  const isSame = now !== undefined && (begun === undefined || begun === now);
  return isSame ? Number(pid) : undefined;
}

/** Refuses where another start still uses the folder; otherwise claims it until this process ends. */
export const claimFolder = (dir) => holding(`claim ${resolve(dir)}`, () => claim(dir));

function claim(dir) {
  mkdirSync(dir, { recursive: true });
  const owner = join(dir, 'owner.pid');
  const pid = ownerOf(owner);
  if (pid !== undefined && pid !== process.pid)
    throw new Error(
      `Glen is running from ${dir} already (process ${pid}). Stop it first, or give another folder with --data.`,
    );
  writeFileSync(owner, `${process.pid} ${begunAt(process.pid)}`);
}

/** Gives a claimed folder free again, for a process that lives on. */
export const releaseFolder = (dir) => rmSync(join(dir, 'owner.pid'), { force: true });

const asRoot = () => (process.getuid?.() === 0 ? ['--user=root'] : []);

/** Made beside its place, and put there whole: whoever is stopped in between begins anew. */
function makeDataFolder(data, tmp) {
  const making = `${data}.making`;
  rmSync(making, { recursive: true, force: true });
  const made = spawnSync(
    'mariadb-install-db',
    [
      '--no-defaults',
      `--datadir=${making}`,
      '--auth-root-authentication-method=normal',
      '--skip-test-db',
      ...asRoot(),
    ],
    // What it starts to fill the folder sweeps its folder for sorting, too.
    { encoding: 'utf8', env: { ...process.env, TMPDIR: tmp } },
  );
  if (made.status === 0) {
    rmSync(data, { recursive: true, force: true });
    renameSync(making, data);
    return;
  }
  const told = (made.stderr || made.stdout || String(made.error)).trim();
  const why = told.split('\n').slice(-2).join(' ');
  throw new Error(`MariaDB could not make its data folder ${data}: ${why}`);
}

const MB = 1024 * 1024;
/** What MariaDB's first files take, and what it wants later to sort and to log. */
const ROOM_AT_FIRST = 300 * MB;
const ROOM_LATER = 50 * MB;

function freeIn(dir) {
  const { bavail, bsize } = statfsSync(dir);
  return bavail * bsize;
}

/** Refuses with one line where the disk is too full to begin; MariaDB itself would wait, or end without a word. */
export function mustHaveRoom(dir, isNew, free = freeIn(dir)) {
  const wanted = isNew ? ROOM_AT_FIRST : ROOM_LATER;
  if (free < wanted)
    throw new Error(
      `The disk is full: ${Math.floor(free / MB)} MB are free in ${dir}, and Glen needs ${wanted / MB} MB to start.`,
    );
}

/** One that outlived a killed start would hold the data folder: it is asked to end before a new one begins. */
async function endOldServer(pidFile, data) {
  if (!existsSync(pidFile)) return;
  const old = Number(readFileSync(pidFile, 'utf8'));
  try {
    if (!readFileSync(`/proc/${old}/cmdline`, 'utf8').includes(data)) return;
    process.kill(old, 'SIGTERM');
    for (let i = 0; i < 200 && existsSync(`/proc/${old}`); i++) await pause();
  } catch {
    /* it is gone already */
  }
}

const pause = () => new Promise((r) => setTimeout(r, 50));

const FOR_THROWAWAY = [
  '--innodb-flush-log-at-trx-commit=0',
  '--innodb-doublewrite=0',
  '--innodb-flush-method=nosync',
];

/** A folder of its own for what a server sorts on disk: as it starts, MariaDB sweeps its leftovers, and with a shared folder another server's tables in use. */
function ownTmpFolder(dir) {
  const tmp = join(dir, 'tmp');
  mkdirSync(tmp, { recursive: true });
  return tmp;
}

/**
 * Starts mariadbd with its data under `dir` and gives { url(database), port, stop, kill }.
 * `throwaway` trades safety for speed: for tests and benches, whose data nobody keeps.
 */
export async function startMariadb(dir, { throwaway = false, port } = {}) {
  await claimFolder(dir);
  const data = join(dir, 'mysql');
  // A UNIX socket's path may have about 100 characters, which a deep checkout passes: it lives in /tmp.
  const socket = `/tmp/glen-${process.pid}-${Math.random().toString(36).slice(2, 8)}.sock`;
  const tmp = ownTmpFolder(dir);
  const isNew = !existsSync(join(data, 'mysql'));
  mustHaveRoom(dir, isNew);
  if (isNew) makeDataFolder(data, tmp);
  const pidFile = join(dir, 'mariadbd.pid');
  await endOldServer(pidFile, data);
  const use = port ?? (await freePort());
  const args = [
    '--no-defaults',
    `--datadir=${data}`,
    `--tmpdir=${tmp}`,
    `--socket=${socket}`,
    `--port=${use}`,
    '--bind-address=127.0.0.1',
    `--pid-file=${pidFile}`,
    '--character-set-server=utf8mb4',
    '--collation-server=utf8mb4_unicode_ci',
    '--transaction-isolation=READ-COMMITTED',
    '--skip-log-bin',
    '--max-connections=300',
    '--skip-name-resolve',
    `--log-error=${join(dir, 'mariadbd.log')}`,
    ...asRoot(),
    ...(throwaway ? FOR_THROWAWAY : []),
  ];
  const child = spawn('mariadbd', args, { stdio: 'ignore', detached: true });
  let gone = false;
  const ended = new Promise((resolve) =>
    child.once('exit', () => {
      gone = true;
      resolve();
    }),
  );
  for (let i = 0; i < 600 && !gone && !(await answers(socket)); i++) await pause();
  if (gone) throw new Error(`MariaDB did not start; its log: ${join(dir, 'mariadbd.log')}`);
  writeFileSync(join(dir, 'mariadbd.port'), String(use));
  return {
    port: use,
    url: (database) => `mariadb://root@127.0.0.1:${use}/${database}`,
    stop: async () => {
      // One that has only just begun may not hear the first.
      const again = setInterval(() => gone || child.kill('SIGTERM'), 1000);
      if (!gone) child.kill('SIGTERM');
      await ended;
      clearInterval(again);
      rmSync(socket, { force: true });
      releaseFolder(dir);
    },
    kill: async () => {
      if (!gone) child.kill('SIGKILL');
      await ended;
    },
  };
}
