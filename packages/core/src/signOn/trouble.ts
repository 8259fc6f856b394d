import { SIGN_ON_REFUSALS } from './matchSignOn.js';

/** Why somebody who went to a provider of accounts is not signed in. */
export const SIGN_ON_TROUBLES = [
  ...SIGN_ON_REFUSALS,
  'down',
  'slow',
  'refused',
  'wrong',
  'clock',
  'used',
  'stale',
  'other-person',
  'two-people',
] as const;
export type SignOnTrouble = (typeof SIGN_ON_TROUBLES)[number];

interface Names {
  /** The provider. */
  name: string;
  /** Whom to ask; blank where nobody was named. */
  help: string;
}

const WORDS: Record<SignOnTrouble, (names: Names) => string> = {
  down: ({ name }) => `${name} does not answer just now. Try again in a moment.`,
  slow: ({ name }) => `${name} took too long to answer. Try again in a moment.`,
  refused: ({ name }) => `Nobody signed on at ${name}.`,
  wrong: ({ name }) => `What ${name} says of you cannot be right, so Glen does not believe it.`,
  clock: ({ name }) =>
    `The clocks of ${name} and Glen differ by too much. Whoever runs them has to set them.`,
  used: () => 'This sign-on was used already, or took too long. Begin again.',
  stale: () => 'This sign-on was begun in another browser, or too long ago. Begin again.',
  'other-person': () => 'Somebody else has signed in at this browser meanwhile. Begin again.',
  'two-people': () =>
    'This account is somebody’s whom the school knows in their own right. If that is you, its office makes the two one.',
  retired: () => 'This account is no longer in use at the school.',
  'way-shut': ({ name }) => `The school does not have you sign on at ${name}; use another way.`,
  'no-address': ({ name }) => `${name} tells Glen no address of yours, so nobody knows you by it.`,
  'not-proven': ({ name }) =>
    `${name} has not seen that the address is yours. Prove it there, then come again.`,
  unknown: ({ name }) => `The school does not know this account of ${name}.`,
  'other-kind': ({ name }) =>
    `This address is known as another kind of account, which ${name} does not sign on.`,
  'other-subject': ({ name }) =>
    `Somebody else came in with this address before, by another account of ${name}.`,
};

/** What others than whoever signs on has to mend. */
const ASKS: readonly SignOnTrouble[] = [
  'wrong',
  'clock',
  'retired',
  'no-address',
  'unknown',
  'other-kind',
  'other-subject',
];

/** The same in words for whoever signed on, with whom to ask where they cannot mend it themselves. */
export function signOnTroubleInWords(trouble: SignOnTrouble, names: Names): string {
  const words = WORDS[trouble](names);
  return ASKS.includes(trouble) && names.help !== '' ? `${words} Ask ${names.help}.` : words;
}
