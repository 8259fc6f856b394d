import type { EntryDecision, EntryReason } from './decideEntry.js';

/** Digits of a number that are told: enough to know one's own by, too few to call it. */
const DIGITS_TOLD = 2;

/** What a phone caller is called in the lobby and inside. `number`: as the line gives it, null where it is withheld. */
export function callerName(number: string | null): string {
  const digits = (number ?? '').replace(/\D/g, '');
  return digits.length < DIGITS_TOLD
    ? 'caller, number withheld'
    : `caller …${digits.slice(-DIGITS_TOLD)}`;
}

/** What becomes of a call: on into the room, on the line to be asked about again, or over. */
type CallGoes = 'in' | 'waits' | 'over';

export interface CallAnswer {
  /** Read out to the caller. */
  say: string;
  goes: CallGoes;
}

interface AtDoor {
  /** What the door is called. */
  title: string;
  host: string;
  /** Wall clock of the school, where it opens later. */
  opensAt: string | null;
  /** It opens so soon that a caller may hold on. */
  isSoon: boolean;
}

const waits = (say: string): CallAnswer => ({ say, goes: 'waits' });
const over = (say: string): CallAnswer => ({ say, goes: 'over' });

const NOT_OPEN = 'Nothing is planned here just now. Goodbye.';

type Hears = (door: AtDoor) => CallAnswer;

const early: Hears = ({ title, opensAt, isSoon }) => {
  const opens = `${title} opens at ${opensAt}.`;
  return isSoon
    ? waits(`${opens} Stay on the line.`)
    : over(`${opens} Please call again then. Goodbye.`);
};

/** Refusals that a caller hears in other words than whoever is at a screen. */
const REFUSED: Partial<Record<EntryReason, Hears>> = {
  'link-retired': () => over('This pin is no longer used. Goodbye.'),
  removed: () => over('The host has not let you in. Goodbye.'),
  ended: ({ title }) => over(`${title} has ended. Goodbye.`),
  over: ({ title }) => over(`${title} is over. Goodbye.`),
  'no-phone': ({ title }) =>
    over(`${title} takes no callers. Use its link in a browser instead. Goodbye.`),
  full: ({ title }) => waits(`${title} is full. Stay on the line; you are let on in turn.`),
  early,
  'nothing-planned': () => over(NOT_OPEN),
  'no-host': ({ title, host }) =>
    waits(`You are at ${title}. Stay on the line until ${host || 'a host'} comes.`),
};

/** What a caller hears at a door, in whole sentences, and whether they go in, wait on the line, or are to hang up. */
export function callerHears({ outcome, reason }: EntryDecision, door: AtDoor): CallAnswer {
  if (outcome === 'enter') return { say: `You are on to ${door.title}.`, goes: 'in' };
  if (outcome === 'lobby')
    return waits(
      `You are in the lobby of ${door.title}. ${door.host || 'The host'} sees that you are waiting.`,
    );
  return REFUSED[reason]?.(door) ?? over(NOT_OPEN);
}
