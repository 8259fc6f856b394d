import { randomBytes, randomInt } from 'node:crypto';
import { checkInCode, checkInMessage, fromOneBrowser, plusMinutes, wallClockAt } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { CheckInRow } from '../../db/models/CheckIn.js';
import type { Glen } from '../../glen.js';
import { notFound } from '../../http/problem.js';
import { doorOfHost } from '../desk/describe.js';
import { withRunning, type AtDesk } from '../desk/session.js';
import { readSchool } from '../school/store.js';
import { closeCheckIns, givenOf, keepCheckIn, lastCheckIn, peopleInside } from './store.js';

type AtDeskAnswer = Answer<'deskCheckIn'>;

const TOKEN_BYTES = 16;

/** Until when, as people at the school read it. */
async function untilOf(glen: Glen, closes: string): Promise<string> {
  const { zone } = (await readSchool(glen.db)).calendar;
  return wallClockAt(closes, zone).time;
}

async function shown(glen: Glen, row: CheckInRow): Promise<AtDeskAnswer['checkIn']> {
  const { publicUrl } = glen.config;
  const given = await givenOf(glen.db, [row.id]);
  const others = fromOneBrowser(given);
  const address = `${publicUrl}/check-in/${row.token}`;
  const typeAt = `${new URL(publicUrl).host}/check-in`;
  const { id, code, question, closes_at: closes } = row;
  const until = await untilOf(glen, closes);
  return {
    ...{ id, code, question, closes },
    isOpen: glen.clock.school() < closes,
    message: checkInMessage({ code, address, typeAt, until, question }),
    typeAt,
    given: given.map(({ visitorId, name, at, answer }, i) => ({
      ...{ visitorId, name, at, answer },
      with: others[i]!,
    })),
  };
}

/** The last check-in of the session that a door stands for, and how many are in who could give it. */
export async function describeAtDesk(
  glen: Glen,
  { linkId, token }: Pick<AtDesk, 'linkId' | 'token'>,
): Promise<AtDeskAnswer> {
  const { facts } = await doorOfHost(glen, linkId, token);
  const sittingId = facts.at?.occurrence.sitting_id ?? null;
  if (sittingId === null) return { checkIn: null, inside: 0 };
  const [row, inside] = await Promise.all([
    lastCheckIn(glen.db, sittingId),
    peopleInside(glen.db, sittingId),
  ]);
  return { checkIn: row && (await shown(glen, row)), inside };
}

/** Asks those inside for a sign of being there, for some minutes; one that is open ends with it. */
export async function openCheckIn(
  glen: Glen,
  desk: AtDesk,
  { minutes, question }: Body<'openCheckIn'>,
): Promise<AtDeskAnswer> {
  await withRunning(glen, desk, async ({ sitting_id: sittingId }) => {
    const now = glen.clock.school();
    await closeCheckIns(glen.db, { sittingId, now });
    await keepCheckIn(glen.db, {
      sittingId,
      code: checkInCode(randomInt),
      token: randomBytes(TOKEN_BYTES).toString('base64url'),
      question,
      opens: now,
      closes: plusMinutes(now, minutes),
      by: desk.by,
    });
    const after = question === '' ? { minutes } : { minutes, question };
    const subject = `sitting:${sittingId}`;
    await glen.audit({ by: desk.by, action: 'open-check-in', subject, after });
  });
  return describeAtDesk(glen, desk);
}

/** Ends a check-in before its time. */
export async function endCheckIn(
  glen: Glen,
  desk: AtDesk,
  { checkInId: id }: Body<'endCheckIn'>,
): Promise<AtDeskAnswer> {
  await withRunning(glen, desk, async ({ sitting_id: sittingId }) => {
    const last = await lastCheckIn(glen.db, sittingId);
    if (last?.id !== id) throw notFound('This check-in');
    const now = glen.clock.school();
    if (!(await closeCheckIns(glen.db, { sittingId, now, id }))) return;
    const subject = `sitting:${sittingId}`;
    await glen.audit({ by: desk.by, action: 'end-check-in', subject });
  });
  return describeAtDesk(glen, desk);
}
