// ./glen serve: a school of one's own, on its own database unless GLEN_DATABASE_URL names another.
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { root } from './build.mjs';
import { LOOPBACK, statement } from './processes.mjs';
import { startSchoolDatabase } from './schoolDatabase.mjs';

export const DEFAULT_PORT = 4880;

/** The machine's own address in the network it is in, for others to type; loopback where it is in none. */
function ownAddress() {
  const outside = Object.values(networkInterfaces())
    .flat()
    .find((net) => net && net.family === 'IPv4' && !net.internal);
  return outside?.address ?? LOOPBACK;
}

/** What the server is told of where it listens: what was given at the command, else by the environment, else loopback. */
export function whereToListen({ port, url, host }, env) {
  const isOpen = host === true;
  const listen = String(port ?? env.GLEN_PORT ?? DEFAULT_PORT);
  const name = isOpen ? ownAddress() : LOOPBACK;
  return {
    GLEN_PORT: listen,
    GLEN_HOST: isOpen ? '0.0.0.0' : (env.GLEN_HOST ?? LOOPBACK),
    GLEN_PUBLIC_URL: url ?? env.GLEN_PUBLIC_URL ?? `http://${name}:${listen}`,
  };
}

/** The school's own MariaDB, its data in `dir`; nothing where the environment names a server. */
async function ownDatabase(dir, env) {
  if (env.GLEN_DATABASE_URL) return { url: env.GLEN_DATABASE_URL, stop: async () => {} };
  const mariadb = await startSchoolDatabase(dir);
  await statement(
    mariadb,
    'CREATE DATABASE IF NOT EXISTS glen CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci',
  );
  return { url: mariadb.url('glen'), stop: () => mariadb.stop() };
}

const SECRET_BYTES = 32;

/** Where the folder keeps the secret that nobody has set. */
export const secretFile = (dir) => join(dir, 'glen.secret');

/** The installation's secret: the environment's, else the one that the folder keeps, made at the first start. */
function secretOf(dir, env) {
  if (env.GLEN_SECRET) return env.GLEN_SECRET;
  const file = secretFile(dir);
  mkdirSync(dir, { recursive: true });
  try {
    // Of two that start at once one makes it.
    writeFileSync(file, randomBytes(SECRET_BYTES).toString('base64url'), {
      mode: 0o600,
      flag: 'wx',
    });
  } catch (error) {
    if (error.code !== 'EEXIST') throw error;
  }
  return readFileSync(file, 'utf8');
}

/** Runs until it is stopped; gives the exit code. */
export async function serve(options, dir) {
  const where = whereToListen(options, process.env);
  const database = await ownDatabase(dir, process.env);
  const child = spawn(
    process.execPath,
    ['--enable-source-maps', join(root, 'apps/server/dist/main.js')],
    {
      // The channel tells the server that we are gone, however we went; it ends then, and its port is free.
      stdio: ['inherit', 'inherit', 'inherit', 'ipc'],
      env: {
        ...process.env,
        ...where,
        GLEN_DATABASE_URL: database.url,
        GLEN_SECRET: secretOf(dir, process.env),
        ...(options.insecure ? { GLEN_INSECURE: '1' } : {}),
      },
      // Of a group of its own: Ctrl+C reaches it by us alone, before its database goes.
      detached: true,
    },
  );
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  const code = await new Promise((done) => child.once('exit', (status) => done(status ?? 1)));
  await database.stop();
  return code;
}
