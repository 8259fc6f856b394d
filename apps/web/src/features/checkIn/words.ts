/** What checkIn says, sentence by sentence; pages ask for it by name. */

// CheckInPage
export const youAreInAs = 'You are in as {what}.';
export const openUntil = 'Open until {time}.';
export const inAFewWordsIt = 'In a few words. It stands in the register of this session.';
export const iAmHere = 'I am here';
export const said = {
  given: 'You have checked in. You can close this page.',
  closed: 'This check-in is over. Tell your teacher that you are there.',
  'not-let-in':
    'Only whoever has been let in at the door can check in. Go in first, with this browser or signed in with the same account; then open this address again.',
};

// TypeCheckInPage
export const aCheckInHasFour = 'A check-in has four letters. Listen again: one may be missing.';
export const checkIn = 'Check-in';
export const theFourLetters = 'The four letters that your teacher read out';
export const toTheCheckIn = 'To the check-in';
