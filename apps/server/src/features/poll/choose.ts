import type { Answer, Body } from '@glen/contract';
import type { PollGuestRow } from '../../db/models/PollGuest.js';
import type { Glen } from '../../glen.js';
import { HttpProblem, stale, wrongField } from '../../http/problem.js';
import { readSchool } from '../school/store.js';
import { closesAt, hostOf, offeredAt } from './describe.js';
import { confirmChoice } from './letters.js';
import { guestByToken, heldPoll, pollById, writeChoices, type Poll } from './pollStore.js';

type Answered = Answer<'choosing'>;

const gone = (): HttpProblem =>
  new HttpProblem(404, 'This address leads nowhere any more.', {
    detail: 'What it was for is over. Whoever sent it to you can say more.',
  });

async function guestOf(glen: Glen, token: string): Promise<PollGuestRow> {
  const guest = await guestByToken(glen.db, glen.tokens.hash('choose', token));
  if (!guest) throw gone();
  return guest;
}

async function answerFor(glen: Glen, one: Poll, guestId: number): Promise<Answered> {
  const { poll, times, choices } = one;
  const guest = one.guests.find(({ id }) => id === guestId)!;
  const { name: school, calendar } = await readSchool(glen.db);
  const { title, minutes, state } = poll;
  const now = glen.clock.school();
  const suits = new Set(choices.filter((c) => c.guestId === guestId).map(({ timeId }) => timeId));
  return {
    ...{ school, title, minutes, state },
    host: await hostOf(glen, one),
    zone: calendar.zone,
    email: guest.email,
    version: guest.version,
    closes: closesAt(one, calendar.zone),
    answered: guest.answered_at !== null,
    times: times.map((time) => ({
      ...offeredAt(time, minutes, calendar.zone),
      suits: suits.has(time.id),
      isSettled: poll.time_id === time.id,
      isPast: time.start_at <= now,
    })),
  };
}

/** What a guest is asked to choose from. */
export async function describeChoosing(glen: Glen, token: string): Promise<Answered> {
  const guest = await guestOf(glen, token);
  return answerFor(glen, (await pollById(glen.db, guest.poll_id))!, guest.id);
}

/**
 * Says which times suit a guest, as often as they like until it is settled: at once where all have answered. They are told by
 * mail what was said in their name, as an address can be passed on.
 */
export async function choose(
  glen: Glen,
  token: string,
  { version, timeIds }: Body<'choose'>,
): Promise<Answered> {
  const { poll_id: pollId, id: guestId } = await guestOf(glen, token);
  const ids = [...new Set(timeIds)];
  await glen.db.transaction(async () => {
    const one = await heldPoll(glen.db, pollId);
    const guest = one?.guests.find(({ id }) => id === guestId);
    if (!one || !guest) throw gone();
    const now = glen.clock.school();
    if (one.poll.state !== 'open' || one.poll.closes_at <= now || guest.version !== version)
      throw stale(await answerFor(glen, one, guestId));
    const known = new Map(one.times.map((time) => [time.id, time]));
    if (ids.some((id) => !known.has(id))) throw wrongField('timeIds', 'This time is not offered.');
    await writeChoices(glen.db, guestId, { timeIds: ids, at: now });
    await glen.audit({
      by: null,
      action: 'choose-times',
      subject: `class:${one.poll.class_id}`,
      after: { title: one.poll.title, times: ids.map((id) => known.get(id)!.start_at) },
    });
    if (glen.mail) {
      const address = `${glen.config.publicUrl}/choose/${token}`;
      await confirmChoice(glen, one, { guest, timeIds: ids, address });
    }
    const isLast = one.guests.every(({ id, answered_at: at }) => id === guestId || at !== null);
    const subject = String(pollId);
    if (isLast) await glen.enqueue({ kind: 'poll', subject, dueSchool: null, sooner: true });
    await glen.announce(`class:${one.poll.class_id}`, { thing: 'class', id: one.poll.class_id });
  });
  glen.nudge();
  return describeChoosing(glen, token);
}
