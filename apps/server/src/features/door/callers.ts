import { callerHears, callerName, plusMinutes, wallClockAt, type EntryDecision } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { countFailures, noteFailure } from '../accounts/failureStore.js';
import { codeOfPin } from '../link/byPhone.js';
import { readSchool } from '../school/store.js';
import { goIn, type Entering } from './enter.js';
import { decideAt } from './decide.js';
import { readDoor, type DoorFacts } from './facts.js';
import { leaveLine } from './lineStore.js';
import { titleOf } from './names.js';
import { forgetWaiting, lockLink } from './store.js';
import { TooManyStrangers } from './strangers.js';

// Callers reach a door by a number and a pin. The video service answers the telephone, asks here what to say and whether
// the caller goes in, and asks again every few seconds as long as somebody waits on the line.

type Asked = Body<'phoneCall'>;
type Told = Answer<'phoneCall'>;

/** Wrong pins from one number. */
const WRONG_FROM_ONE = { most: 6, minutes: 10 };
/** Wrong pins from anywhere: numbers can be made up. Whoever is known at a door already is held up by neither. */
const WRONG_IN_ALL = { most: 120, minutes: 10 };
const ALL_CALLS = 'pin:all';

/** A door that opens within so many minutes is worth holding on for. */
const SOON_MINUTES = 15;

const over = (say: string): Told => ({ say, goes: 'over', go: null });
const TOO_MANY = over('Too many pins have been tried. Please call again later. Goodbye.');
const TOO_MANY_WAIT = over(
  'Too many callers wait there just now. Please call again later. Goodbye.',
);

/** Signs of a hash, six bits each: enough that no two callers are taken for one. */
const KEY_LENGTH = 19;

/** What a caller is known by. Of a number only this is kept, and the two digits that their name tells. */
function knownAs({ tokens }: Glen, { from, call }: Asked): Entering & { call: string } {
  const digits = (from ?? '').replace(/\D/g, '');
  const hash = tokens.hash('caller', digits === '' ? `withheld ${call}` : digits);
  return {
    token: undefined,
    sessionId: null,
    call: `c${hash.slice(0, KEY_LENGTH)}`,
    name: callerName(from),
    browser: hash,
    network: `phone:${hash}`,
  };
}

const isTooMany = async (glen: Glen, bucket: string, limit: typeof WRONG_IN_ALL) =>
  (await countFailures(glen.db, glen.clock, bucket, limit.minutes)) >= limit.most;

const wereTooMany = async (glen: Glen, own: string): Promise<boolean> =>
  (await isTooMany(glen, own, WRONG_FROM_ONE)) || (await isTooMany(glen, ALL_CALLS, WRONG_IN_ALL));

/** A pin that leads nowhere counts against the number that it came from, and against all. */
async function wrongPin(glen: Glen, own: string): Promise<Told> {
  await noteFailure(glen.db, glen.clock, own);
  await noteFailure(glen.db, glen.clock, ALL_CALLS);
  return {
    say: 'No door has this pin. Key it in again, then press hash.',
    goes: 'again',
    go: null,
  };
}

/** What a caller hears, and where the line leads. */
export async function takeCall(glen: Glen, asked: Asked): Promise<Told> {
  const caller = knownAs(glen, asked);
  const own = `pin:${caller.call}`;
  const code = await codeOfPin(glen, asked.pin);
  const facts = code === undefined ? undefined : await doorFor(glen, code, caller);
  const isKnown = facts?.at?.occurrence.visitor_id != null;
  if (!isKnown && (await wereTooMany(glen, own))) return TOO_MANY;
  if (!facts) return wrongPin(glen, own);
  if (asked.isOver) return hangUp(glen, facts);
  return answer(glen, facts, caller);
}

const doorFor = (glen: Glen, code: string, { call, browser }: Entering) =>
  readDoor(glen, code, { token: undefined, browser: browser ?? undefined, call });

async function answer(glen: Glen, facts: DoorFacts, caller: Entering): Promise<Told> {
  const sought = decideAt(facts);
  const isWaiting = facts.at?.occurrence.visitor_state === 'waiting';
  const asksNothing = sought.outcome === 'lobby' && isWaiting;
  const comes =
    sought.outcome === 'enter' || sought.outcome === 'lobby' || sought.reason === 'full';
  if (asksNothing || !comes) {
    const hears = await told(glen, facts, sought, null);
    // Whose call is ended here is gone from the lobby, too.
    if (isWaiting && hears.goes === 'over') await hangUp(glen, facts);
    return hears;
  }
  try {
    const { decision, go } = await goIn(glen, facts, caller, { wait: true });
    return await told(glen, facts, decision, go);
  } catch (error) {
    if (error instanceof TooManyStrangers) return TOO_MANY_WAIT;
    throw error;
  }
}

async function told(
  glen: Glen,
  { row, now }: DoorFacts,
  decision: EntryDecision,
  go: string | null,
): Promise<Told> {
  const { zone } = (await readSchool(glen.db)).calendar;
  const { until } = decision;
  const hears = callerHears(decision, {
    title: titleOf(row),
    host: row.host_name ?? '',
    opensAt: until === undefined ? null : wallClockAt(until, zone).time,
    isSoon: until !== undefined && until <= plusMinutes(now, SOON_MINUTES),
  });
  return { ...hears, go };
}

/** Whoever hangs up while they wait is no longer seen waiting. */
async function hangUp(glen: Glen, { row, at, line, call }: DoorFacts): Promise<Told> {
  const session = at?.occurrence;
  await glen.db.transaction(async () => {
    await lockLink(glen.db, row.code);
    const key = { sittingId: session?.sitting_id ?? 0, key: call! };
    const wasInLine = line.isIn && (await leaveLine(glen.db, key));
    const waited = await forgetWaiting(glen.db, session?.visitor_id ?? 0);
    if (wasInLine || waited)
      await glen.announce(`class:${row.class_id}`, { thing: 'desk', id: row.link_id });
  });
  return over('Goodbye.');
}
