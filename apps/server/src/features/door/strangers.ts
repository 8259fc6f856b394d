import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import { countFailures, noteFailure } from '../accounts/failureStore.js';
import type { DoorFacts } from './facts.js';
import { strangersWaiting } from './store.js';

/** Whoever has no account knocks so often in a minute from one network. */
const KNOCKS_A_MINUTE = 5;
/** So many of them wait at one door. */
const MOST_WAITING = 20;

/** What was refused at a door's lobby lately, for its host to read. */
const refusedAt = (linkId: number): string => `refused-knock:${linkId}`;

/** Refused at a lobby, where a host is to hear of it. */
export class TooManyStrangers extends HttpProblem {
  constructor(message: string) {
    super(429, message);
  }
}

/** So long ago may strangers have been refused, for their host to hear of it. */
const LATELY_MINUTES = 5;

export const wereRefusedLately = async (glen: Glen, linkId: number): Promise<boolean> =>
  (await countFailures(glen.db, glen.clock, refusedAt(linkId), LATELY_MINUTES)) > 0;

/** Has the host of a door hear that strangers were refused there; once, however many they are. */
export async function noteRefused(glen: Glen, { row }: DoorFacts): Promise<void> {
  const isNews = !(await wereRefusedLately(glen, row.link_id));
  await noteFailure(glen.db, glen.clock, refusedAt(row.link_id));
  if (isNews) await glen.announce(`class:${row.class_id}`, { thing: 'desk', id: row.link_id });
}

/**
 * Keeps a lobby from being filled by strangers: 429 where too many wait there, or have knocked from one network in this
 * minute. Whoever waits already keeps their place; people with accounts are not limited.
 */
export async function limitStrangers(
  glen: Glen,
  { who, at }: DoorFacts,
  { network }: { network: string },
): Promise<void> {
  const session = at?.occurrence;
  if (who.account !== null || session?.visitor_state === 'waiting') return;
  const bucket = `knock:${network}`;
  const [knocks, waiting] = await Promise.all([
    countFailures(glen.db, glen.clock, bucket, 1),
    strangersWaiting(glen.db, session?.sitting_id ?? 0),
  ]);
  if (waiting >= MOST_WAITING)
    throw new TooManyStrangers('Many people wait here just now. Try again in a few minutes.');
  if (knocks >= KNOCKS_A_MINUTE)
    throw new TooManyStrangers(
      'Many people have knocked from where you are. Wait a minute, then try again; signed in, you need not wait.',
    );
  await noteFailure(glen.db, glen.clock, bucket);
}
