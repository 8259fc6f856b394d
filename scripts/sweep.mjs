// Ends what a command that is gone has left behind: all that bears its name (scripts/family.mjs).
import { readFileSync, readdirSync } from 'node:fs';

const [, , name] = process.argv;
const MARK = `GLEN_FAMILY=${name}`;

const LOOK_AGAIN_MS = 100;
/** What was just being started bears its name only a moment later: it is looked for so often before all are gone. */
const LOOKS_IN_VAIN = 5;
/** Databases write down what they have; whatever still runs by then is not waited for. */
const PATIENCE_MS = 10_000;

/** Whether a process bears the name, or that of a command which was started by it. */
function bears(pid) {
  try {
    const surroundings = readFileSync(`/proc/${pid}/environ`, 'latin1').split('\0');
    return surroundings.some((entry) => entry === MARK || entry.startsWith(`${MARK}/`));
  } catch {
    // Gone meanwhile, or somebody else's.
    return false;
  }
}

const members = () =>
  readdirSync('/proc')
    .filter((entry) => /^\d+$/.test(entry) && Number(entry) !== process.pid)
    .map(Number)
    .filter(bears);

function end(pid, signal) {
  try {
    process.kill(pid, signal);
  } catch {
    // Gone meanwhile.
  }
}

const asked = new Set();
const begun = Date.now();
for (let inVain = 0; inVain < LOOKS_IN_VAIN;) {
  const left = members();
  inVain = left.length === 0 ? inVain + 1 : 0;
  const isLate = Date.now() - begun > PATIENCE_MS;
  for (const pid of left) {
    if (isLate) end(pid, 'SIGKILL');
    else if (!asked.has(pid)) end(pid, 'SIGTERM');
    asked.add(pid);
  }
  await new Promise((resolve) => setTimeout(resolve, LOOK_AGAIN_MS));
}
