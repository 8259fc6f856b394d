import { z } from 'zod';
import { date, id, time, utcInstant } from './basics.js';

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
