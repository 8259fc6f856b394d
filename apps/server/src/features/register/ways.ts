import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import { stale } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { heldWays, readWays, writeWays } from './waysStore.js';

type Ways = Answer<'registerWays'>;

export const describeWays = async (glen: Glen, who: Who): Promise<Ways> => ({
  ...(await readWays(glen.db)),
  mayEdit: isOffice(who),
});

/** Changes what the school does with its registers. */
export async function setWays(
  glen: Glen,
  who: Who,
  { version, ...ways }: Body<'setRegisterWays'>,
): Promise<Ways> {
  const isDone = await glen.db.transaction(async () => {
    const { version: read, ...before } = await heldWays(glen.db);
    if (read !== version) return false;
    await writeWays(glen.db, ways);
    const by = who.person!.id;
    const subject = 'school:1';
    await glen.audit({ by, action: 'set-register-ways', subject, before, after: ways });
    return true;
  });
  const now = await describeWays(glen, who);
  if (!isDone) throw stale(now);
  return now;
}
