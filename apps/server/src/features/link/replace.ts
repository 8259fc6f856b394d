import {
  GlenInputError,
  lookedAt,
  placeWallTime,
  readRoomAddress,
  replaceLink as replaceCodes,
  takeBackReplacing as takeBackCodes,
  type LinkCodes,
} from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { readSchool } from '../school/store.js';
import { changeLink } from './change.js';
import { withFreshCode } from './make.js';
import { codesOf, dropCode, putCode, usedSince } from './store.js';

const codesAsCore = async (glen: Glen, linkId: number): Promise<LinkCodes> => {
  const all = await codesOf(glen.db, linkId);
  return {
    code: all.at(-1)!.code,
    former: all.slice(0, -1).map((c) => ({ code: c.code, how: c.how!, until: c.until_at })),
  };
};

/** Whoever knows the old address hears that it leads nowhere any more (features/mail/replacedLink.ts), unless it is taken back meanwhile. */
const haveHeard = (glen: Glen, linkId: number): Promise<void> =>
  glen.enqueue({
    kind: 'gather',
    subject: `link:${linkId}`,
    waitSeconds: glen.config.gatherSeconds,
  });

/**
 * Gives a link a new code; sessions, people, rules and whoever is inside stay as they are. What becomes of the old code, the
 * core says; `until` is a date of the school's calendar, at whose end the old one stops.
 */
export async function replaceLink(
  glen: Glen,
  linkId: number,
  who: Who,
  { version, why, how, until }: Body<'replaceLink'>,
): Promise<Answer<'replaceLink'>> {
  const { zone } = (await readSchool(glen.db)).calendar;
  const now = glen.clock.school();
  const ends = until === undefined ? null : placeWallTime(until, '23:59', 0, zone).start;
  const link = await changeLink(
    glen,
    who,
    { linkId, version, action: 'replace-link' },
    async (_link) => {
      const before = await codesAsCore(glen, linkId);
      const after = await withFreshCode(async (code) => {
        try {
          const codes = replaceCodes(before, how, { code, now, until: ends });
          await putCode(
            glen.db,
            linkId,
            { old: before.code, code },
            {
              how,
              until: ends,
              why,
              now,
              by: who.person!.id,
            },
          );
          return codes;
        } catch (error) {
          if (error instanceof GlenInputError) throw wrongField(error.path, error.message);
          throw error;
        }
      });
      if (how === 'stop') await haveHeard(glen, linkId);
      return { columns: { code: after.code }, after: { code: after.code, how, until: ends, why } };
    },
  );
  glen.nudge();
  return link;
}

/** Takes the last replacing back, while nobody has come by the new code; the new one is gone then. */
export async function takeBackReplacing(
  glen: Glen,
  linkId: number,
  who: Who,
  version: number,
): Promise<Answer<'takeBackReplacing'>> {
  const link = await changeLink(
    glen,
    who,
    { linkId, version, action: 'take-back-replacing' },
    async (_link) => {
      const all = await codesOf(glen.db, linkId);
      const last = all.at(-2);
      if (!last?.replaced_at) throw new HttpProblem(409, 'This link has never been replaced.');
      if (await usedSince(glen.db, linkId, last.replaced_at))
        throw new HttpProblem(
          409,
          'Somebody has come by the new link already, so it stays. You can replace it again.',
        );
      const before = await codesAsCore(glen, linkId);
      const after = takeBackCodes(before);
      await dropCode(glen.db, before.code, after.code);
      return { columns: { code: after.code }, after: { code: after.code } };
    },
  );
  glen.nudge();
  return link;
}

/** Notes what has been looked at in the room that a host gave, and who has host's powers there. */
export const lookAtRoom = (
  glen: Glen,
  linkId: number,
  who: Who,
  { version, ticked, powers }: Body<'lookAtRoom'>,
): Promise<Answer<'lookAtRoom'>> =>
  changeLink(glen, who, { linkId, version, action: 'look-at-room' }, async (link) => {
    if (link.room_address === null)
      throw new HttpProblem(409, 'No room of your own is behind this link.');
    const before = lookedAt(link.room_looked_at, link.room_address);
    const room_looked_at = {
      ...before,
      ...(ticked === undefined ? {} : { ticked }),
      ...(powers === undefined ? {} : { powers }),
    };
    return { columns: { room_looked_at } };
  });

/** A pasted address of a room, settled; 422 at `address` with what is wrong with it. */
export function settledRoom(glen: Pick<Glen, 'config'>, address: string): string {
  try {
    return readRoomAddress(address, glen.config.publicUrl);
  } catch (error) {
    if (error instanceof GlenInputError) throw wrongField(error.path, error.message);
    throw error;
  }
}

/** Puts another room behind a link: a pasted address, or with null the school's own video service. A running session keeps the room it began in. */
export async function setRoom(
  glen: Glen,
  linkId: number,
  who: Who,
  { version, address }: Body<'setRoom'>,
): Promise<Answer<'setRoom'>> {
  const room = address === null ? null : settledRoom(glen, address);
  return changeLink(glen, who, { linkId, version, action: 'set-room' }, async () => ({
    columns: { room_address: room },
  }));
}
