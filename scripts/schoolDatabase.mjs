// The database of a school of one's own: MariaDB with its data in a folder, behind a password that the folder keeps.
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { startMariadb } from './mariadb.mjs';
import { LOOPBACK, statement } from './processes.mjs';

const PASSWORD_BYTES = 24;

const passwordFile = (dir) => join(dir, 'mariadb.password');

/** Loopback is open to everybody on the machine, the folder's files to its owner alone. */
function passwordOf(dir) {
  const file = passwordFile(dir);
  if (!existsSync(file))
    writeFileSync(file, randomBytes(PASSWORD_BYTES).toString('base64url'), { mode: 0o600 });
  return readFileSync(file, 'utf8');
}

const answers = (server) =>
  statement(server, 'SELECT 1').then(
    () => true,
    () => false,
  );

/** From where root may come on a server that listens on loopback alone and resolves no names. */
const HOSTS = ['localhost', '127.0.0.1', '::1'];

/** A server that has just been made lets root in without a password: from now on it does not. */
async function lock({ port }, password) {
  const locked = HOSTS.map((host) => `'root'@'${host}' IDENTIFIED BY '${password}'`);
  try {
    await statement({ port }, `ALTER USER ${locked.join(', ')}`);
  } catch (error) {
    // The driver's own message would tell the statement, and with it the password.
    throw new Error(`MariaDB does not take its password: ${error.sqlMessage ?? error.code}`, {
      cause: error,
    });
  }
}

const urlOf = (port, password) => (database) =>
  `mariadb://root:${password}@${LOOPBACK}:${port}/${database}`;

/** Starts it; gives { port, password, url(database), stop }. */
export async function startSchoolDatabase(dir) {
  const mariadb = await startMariadb(dir);
  try {
    const password = passwordOf(dir);
    if (!(await answers({ port: mariadb.port, password }))) await lock(mariadb, password);
    return { ...mariadb, password, url: urlOf(mariadb.port, password) };
  } catch (error) {
    await mariadb.stop();
    throw error;
  }
}

/** The one that runs already from a folder; nothing where none does. */
export async function runningSchoolDatabase(dir) {
  const portFile = join(dir, 'mariadbd.port');
  if (!existsSync(portFile) || !existsSync(passwordFile(dir))) return null;
  const server = { port: Number(readFileSync(portFile, 'utf8')), password: passwordOf(dir) };
  return (await answers(server)) ? { ...server, url: urlOf(server.port, server.password) } : null;
}
