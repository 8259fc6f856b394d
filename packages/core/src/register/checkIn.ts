/**
 * What a check-in's code is made of: letters that are told apart when they are read out, and no vowels, so that no word
 * comes about.
 */
const LETTERS = 'BFHJKLMQRWXZ';
const LENGTH = 4;

/** A code of four letters to read out; `pick` gives a whole number from 0 up to the one before `n`. */
export const checkInCode = (pick: (n: number) => number): string =>
  Array.from({ length: LENGTH }, () => LETTERS[pick(LETTERS.length)]).join('');

/** The code in what somebody typed, however they spaced it; null where it is none. */
export function readCheckInCode(typed: string): string | null {
  const letters = typed.toUpperCase().replace(/[^\p{L}\p{N}]/gu, '');
  return new RegExp(`^[${LETTERS}]{${LENGTH}}$`).test(letters) ? letters : null;
}

/** What is put into the chat; `until` is the school's wall clock. */
export function checkInMessage(wish: {
  code: string;
  address: string;
  /** Where the code is typed by whoever cannot press the address. */
  typeAt: string;
  until: string;
  /** Empty: nothing is asked. */
  question: string;
}): string {
  const { code, address, typeAt, until, question } = wish;
  const lines = [
    `Check in until ${until}: ${address}`,
    `Or type ${[...code].join(' ')} at ${typeAt}`,
  ];
  return (question === '' ? lines : [...lines, `Question: ${question}`]).join('\n');
}

export type CheckInAnswer =
  | 'may'
  /** It is over, or was ended. */
  | 'closed'
  /** Whoever asks has not been let in at the door of the session. */
  | 'not-let-in'
  /** They have checked in before. */
  | 'given';

/** Whether somebody may check in: once, while it is open, and only who has been let in at the door. */
export function mayCheckIn(asked: {
  /** UTC instants. */
  now: string;
  closes: string;
  isLetIn: boolean;
  hasGiven: boolean;
}): CheckInAnswer {
  if (asked.hasGiven) return 'given';
  if (!asked.isLetIn) return 'not-let-in';
  return asked.now < asked.closes ? 'may' : 'closed';
}

/** For each sign of being there, who else gave one from the same browser: noticed, not held against anybody. */
export function fromOneBrowser(signs: readonly { name: string; browser: string }[]): string[][] {
  return signs.map((sign) =>
    signs
      .filter((other) => other !== sign && other.browser === sign.browser)
      .map(({ name }) => name),
  );
}
