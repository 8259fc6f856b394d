import { formerCodeLeads, readLinkCode } from '@glen/core';
import type { Glen } from '../../glen.js';
import { networkOf, type From } from '../../http/from.js';
import { HttpProblem } from '../../http/problem.js';
import { countFailures, noteFailure } from '../accounts/failureStore.js';
import { knownHash } from '../accounts/knownBrowsers.js';
import { formerCode } from '../link/store.js';
import { watchedLink } from '../link/watchStore.js';
import { readDoor, type DoorFacts } from './facts.js';
import type { Asker } from './asker.sql.js';

/** Unknown codes from one network address; a class that shares it and mistypes stays well below. */
const GUESSES = { most: 60, minutes: 10 };

/** Who follows or types a code: by their browser's token, from somewhere. */
export interface Caller {
  token: string | undefined;
  from: From;
}

const noSuchDoor = (): HttpProblem =>
  new HttpProblem(404, 'No door has this code.', {
    detail: 'A letter may have slipped. Compare it with the link you were given.',
  });

/** A door by the code somebody typed. Unknown codes count as failures of the address they come from. */
export async function findDoor(
  glen: Glen,
  typed: string,
  { token, from }: Caller,
): Promise<DoorFacts> {
  const code = readLinkCode(typed);
  const asker = { token, browser: knownHash(glen, from) };
  const facts =
    code === null
      ? undefined
      : ((await readDoor(glen, code, asker)) ??
        (await byFormerCode(glen, code, asker)) ??
        (await byWatchCode(glen, code, asker)));
  if (facts) return facts;
  const bucket = `guess:${networkOf(from.address)}`;
  const failures = await countFailures(glen.db, glen.clock, bucket, GUESSES.minutes);
  if (failures >= GUESSES.most)
    throw new HttpProblem(
      429,
      `Too many codes that do not exist were tried from here. Wait ${GUESSES.minutes} minutes, or follow the link instead of typing it.`,
    );
  await noteFailure(glen.db, glen.clock, bucket);
  throw noSuchDoor();
}

/** A door by a code that it had before: it leads on to what the door is now, or has stopped. */
async function byFormerCode(
  glen: Glen,
  code: string,
  asker: Asker,
): Promise<DoorFacts | undefined> {
  const former = await formerCode(glen.db, code);
  const facts = former && (await readDoor(glen, former.code, asker));
  if (!former || !facts) return undefined;
  if (!formerCodeLeads({ how: former.how, until: former.until_at }, facts.now))
    return {
      ...facts,
      stoppedCode: code,
      row: { ...facts.row, link_state: 'retired' },
      came: { by: 'replaced', until: null },
    };
  return facts.came ? facts : { ...facts, came: { by: 'replaced', until: former.until_at } };
}

/** A door by a code to watch at. */
async function byWatchCode(
  glen: Glen,
  watchCode: string,
  asker: Asker,
): Promise<DoorFacts | undefined> {
  const code = await watchedLink(glen.db, watchCode);
  return code === undefined ? undefined : readDoor(glen, code, asker, { watchCode });
}
