// A command and all that it starts are a family: they bear its name in their surroundings, and their children theirs.
// Whatever becomes of the command (Ctrl+C, SIGTERM, SIGKILL, a crash), and whenever, none of them outlives it.
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { join } from 'node:path';

/** The variable that bears the name. A command started by another bears that one's name before its own. */
export const FAMILY = 'GLEN_FAMILY';

const NAME_BYTES = 9;

/**
 * Gives this process' children a name of their own, and has them ended when this process is gone. What waits for that is a
 * shell on a pipe that only this process holds: it costs next to nothing, and learns of any end there is.
 */
export function beginFamily(root) {
  const { [FAMILY]: outer, ...others } = process.env;
  const own = randomBytes(NAME_BYTES).toString('hex');
  const name = outer === undefined ? own : `${outer}/${own}`;
  process.env[FAMILY] = name;
  const wait = 'while read -r _; do :; done; exec "$0" "$@"';
  const sweeper = join(root, 'scripts/sweep.mjs');
  const waiting = spawn('/bin/sh', ['-c', wait, process.execPath, sweeper, name], {
    stdio: ['pipe', 'ignore', 'ignore'],
    // Of no family, in no group: nobody's signal reaches it.
    env: others,
    detached: true,
  });
  // Where no shell is to be had, so is nothing else that could be started.
  waiting.on('error', () => {});
  waiting.unref();
  waiting.stdin.unref();
}
