import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { endSessions, sessionsOfPerson } from '../../http/browserSessions.js';
import { notFound } from '../../http/problem.js';
import type { Who } from '../../http/who.js';

/** The browsers that one is signed in with. */
export async function ownSessions(glen: Glen, who: Who): Promise<Answer<'ownSessions'>> {
  const sessions = await sessionsOfPerson(glen, who.person!.id);
  return {
    sessions: sessions.map(({ id, browser, begun_at, seen_at }) => ({
      id,
      isThis: id === who.sessionId,
      browser,
      begunAt: begun_at,
      seenAt: seen_at,
    })),
  };
}

const idsOf = async (glen: Glen, who: Who): Promise<number[]> =>
  (await sessionsOfPerson(glen, who.person!.id)).map((session) => session.id);

async function signOut(glen: Glen, who: Who, ids: number[]): Promise<void> {
  await glen.db.transaction(async () => {
    await endSessions(glen, ids);
    await glen.audit({
      by: who.person!.id,
      action: 'sign-out-elsewhere',
      subject: `person:${who.person!.id}`,
    });
  });
}

/** Signs out at one of one's own browsers; 404 for anybody else's. */
export async function endOwnSession(
  glen: Glen,
  who: Who,
  sessionId: number,
): Promise<Answer<'ownSessions'>> {
  if (!(await idsOf(glen, who)).includes(sessionId)) throw notFound('This browser');
  await signOut(glen, who, [sessionId]);
  return ownSessions(glen, who);
}

/** Signs out at all of one's own browsers, the one that asks among them. */
export const signOutEverywhere = async (glen: Glen, who: Who): Promise<void> =>
  signOut(glen, who, await idsOf(glen, who));
