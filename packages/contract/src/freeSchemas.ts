import { z } from 'zod';
import { date, id, line, text, time, utcInstant, version } from './basics.js';

// Times at which people are free, and offering some of them to choose from.

/** So many people at most are asked about at once. */
const MOST_PEOPLE = 40;

const people = z.array(id).max(MOST_PEOPLE, `At most ${MOST_PEOPLE} people.`);

export const freeTimesBody = z.object({
  /** Without these it is no time; of these as many as can. */
  must: people,
  may: people,
  /** Local dates, both included. */
  from: date,
  to: date,
  hours: z.object({ from: time, to: time }),
  days: z.enum(['school', 'every']),
  minutes: z.int('Give whole minutes.').min(5, 'At least 5 minutes.').max(480, 'At most 480.'),
  /** When their class periods are taught counts as busy, whether or not a session is planned. */
  bells: z.boolean(),
});

const span = z.object({ start: utcInstant, end: utcInstant });

/** A time, by the school's clock too, and who cannot come then. */
const freeTime = span.extend({ date, time, until: time, missing: z.array(id) });

export const freeTimesAnswer = z.object({
  times: z.array(freeTime),
  /** Where nobody is free at any time: the nearest misses, with those in the way who must come. */
  misses: z.array(freeTime),
  /** When each of those asked about is busy, never with what; in the order in which they were asked about. */
  people: z.array(z.object({ id, name: z.string(), must: z.boolean(), busy: z.array(span) })),
  /** The hours of each day in which it was looked. */
  windows: z.array(span.extend({ date })),
});

/** So many times are offered at most: more are no choice but a search. */
const MOST_TIMES = 6;

export const addPollBody = z.object({
  title: line(200).min(1, 'Give it a title.'),
  minutes: z.int('Give whole minutes.').min(5, 'At least 5 minutes.').max(480, 'At most 480.'),
  /** When each begins. */
  times: z
    .array(utcInstant)
    .min(2, 'Offer two times at least.')
    .max(MOST_TIMES, `Offer ${MOST_TIMES} times at most.`),
  personIds: people,
  /** Names and addresses, as they are pasted. */
  guests: text(4000),
  /** The school's wall clock: then it closes, though not all have answered. */
  closes: z.object({ date, time }),
});

const pollState = z.enum(['open', 'booked', 'nobody', 'stopped']);

/** A time that was offered, by the school's clock too. */
const offered = z.object({ id, start: utcInstant, date, time, until: time });

const pollItem = z.object({
  id,
  version,
  classId: id,
  classTitle: z.string(),
  title: z.string(),
  minutes: z.int(),
  state: pollState,
  closes: z.object({ date, time }),
  seriesId: id.nullable(),
  /** `chosen`: how many said that it suits them. */
  times: z.array(offered.extend({ chosen: z.int(), isSettled: z.boolean() })),
  guests: z.array(z.object({ id, email: z.string(), name: z.string(), answered: z.boolean() })),
});

export const pollsAnswer = z.object({ polls: z.array(pollItem) });
/** With the address of each guest, which is told once: for a host who passes it on. */
export const addedPoll = pollsAnswer.extend({
  addresses: z.array(z.object({ email: z.string(), address: z.string() })),
  /** They were sent there by mail. */
  mailed: z.boolean(),
});
export const stopPollBody = z.object({ id, version });

export const choosingAnswer = z.object({
  school: z.string(),
  host: z.string(),
  title: z.string(),
  minutes: z.int(),
  zone: z.string(),
  /** Whom it was sent to: whoever has it forwarded answers for them. */
  email: z.string(),
  version,
  state: pollState,
  closes: z.object({ date, time }),
  answered: z.boolean(),
  times: z.array(
    offered.extend({ suits: z.boolean(), isSettled: z.boolean(), isPast: z.boolean() }),
  ),
});
export const chooseBody = z.object({ version, timeIds: z.array(id).max(MOST_TIMES) });
