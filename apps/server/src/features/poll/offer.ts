import { randomBytes } from 'node:crypto';
import { placeWallTime } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound, stale, wrongField } from '../../http/problem.js';
import { mayAskAbout } from '../free/mayAskAbout.js';
import { readTypedGuests } from '../guest/typed.js';
import { readSchool } from '../school/store.js';
import { describePolls } from './describe.js';
import { askToChoose, tellTakenBack } from './letters.js';
import { heldPoll, insertPoll, pollById, settleAs } from './pollStore.js';

const TOKEN_BYTES = 18;
/** So many guests are asked about one time: more are an evening. */
const MOST_GUESTS = 30;

interface Asked {
  email: string;
  name: string;
  token: string;
}

/** The guests who are typed, each with an address of their own. */
function guestsOf(typed: string): Asked[] {
  const guests = readTypedGuests(typed, 'guests');
  if (guests.length > MOST_GUESTS) throw wrongField('guests', `At most ${MOST_GUESTS} guests.`);
  return guests.map(({ email, name }) => ({
    email,
    name,
    token: randomBytes(TOKEN_BYTES).toString('base64url'),
  }));
}

interface When {
  times: string[];
  closes: string;
}

/** When it closes, and the times in order, each once; all of them ahead, and none before it closes. */
async function whenOf(glen: Glen, body: Body<'addPoll'>): Promise<When> {
  const { zone } = (await readSchool(glen.db)).calendar;
  const now = glen.clock.school();
  const closes = placeWallTime(body.closes.date, body.closes.time, 0, zone).start;
  const times = [...new Set(body.times)].sort();
  if (times.length < body.times.length)
    throw wrongField('times', 'Two of these times are the same.');
  if (times[0]! <= now) throw wrongField('times', 'One of these times is past.');
  if (closes <= now) throw wrongField('closes.date', 'It would be closed already.');
  if (closes > times[0]!)
    throw wrongField('closes.date', 'Close it before the first of the times.');
  return { times, closes };
}

/** Offers some times to guests: each gets an address of their own, by mail or from the host. */
export async function offerTimes(
  glen: Glen,
  { classId, by }: { classId: number; by: number },
  body: Body<'addPoll'>,
): Promise<Answer<'addPoll'>> {
  const guests = guestsOf(body.guests);
  const personIds = [...new Set(body.personIds)].filter((id) => id !== by);
  await mayAskAbout(glen.db, by, personIds);
  const { times, closes } = await whenOf(glen, body);
  const { title, minutes } = body;
  const addressOf = (token: string): string => `${glen.config.publicUrl}/choose/${token}`;
  await glen.db.transaction(async () => {
    const id = await insertPoll(
      glen.db,
      {
        ...{ class_id: classId, title, minutes, closes_at: closes, made_by: by },
        made_at: glen.clock.school(),
      },
      {
        times,
        personIds,
        guests: guests.map(({ token, ...guest }) => ({
          ...guest,
          tokenHash: glen.tokens.hash('choose', token),
        })),
      },
    );
    const after = { title, times, personIds, guests: guests.length };
    await glen.audit({ by, action: 'offer-times', subject: `class:${classId}`, after });
    await glen.enqueue({ kind: 'poll', subject: String(id), dueSchool: closes });
    if (glen.mail)
      await askToChoose(
        glen,
        (await pollById(glen.db, id))!,
        guests.map(({ email, token }) => ({ email, address: addressOf(token) })),
      );
  });
  glen.nudge();
  return {
    ...(await describePolls(glen, by)),
    mailed: glen.mail !== null,
    addresses: guests.map(({ email, token }) => ({ email, address: addressOf(token) })),
  };
}

/** Takes offered times back; whoever was asked by mail is told. */
export async function takeOfferBack(
  glen: Glen,
  { classId, by }: { classId: number; by: number },
  { id, version }: Body<'stopPoll'>,
): Promise<Answer<'stopPoll'>> {
  await glen.db.transaction(async () => {
    const held = await heldPoll(glen.db, id);
    if (!held || held.poll.class_id !== classId) throw notFound('This offer');
    if (held.poll.version !== version || held.poll.state !== 'open')
      throw stale(await describePolls(glen, by));
    await settleAs(glen.db, id, { state: 'stopped' });
    const before = { title: held.poll.title };
    await glen.audit({ by, action: 'stop-times', subject: `class:${classId}`, before });
    if (glen.mail) await tellTakenBack(glen, held);
  });
  glen.nudge();
  return describePolls(glen, by);
}
