/** What ui says, sentence by sentence; pages ask for it by name. */

// BackLink
export const back = 'Back';

// BrowserNotices
export const says = {
  on: 'This browser tells you, while Glen is open in it, when somebody knocks and when a session of yours begins.',
  off: 'This browser can tell you, while Glen is open in it, when somebody knocks and when a session of yours begins.',
  denied:
    'This browser has been told to show nothing of this site. You can change that at the address of the page.',
  none: 'This browser has no way to tell you while you look elsewhere.',
};
export const inThisBrowser = 'In this browser';
export const tellMe = 'Tell me';
export const tellMeNoMore = 'Tell me no more';

// choices
export const choose = 'choose';

// DateField
export const month = 'Month';
export const noDateWriteItLike = 'No date; write it like {date}.';

// HalfNote
export const youHadBegunThis = 'You had begun this and not saved it.';
export const throwItAway = 'Throw it away';

// Margin
export const wrong = 'Wrong';
export const careful = 'Careful';
export const toKnow = 'To know';
export const well = 'Well';
export const inTheMargin = 'In the margin';
export const nothingNeedsThoughtHere = 'Nothing needs thought here.';
export const notes = {
  one: '1 note',
  other: '{n} notes',
};
export const andNotesCountMore = 'and {notesCount} more';
export const open = 'Open';
export const closeTheMargin = 'Close the margin';

// Pennant
export const patterns = {
  halves: 'M22 0H44V32H22z',
  diagonal: 'M44 0V32H0z',
  stripes: 'M0 8H44V16H0zM0 24H44V32H0z',
  pales: 'M8 0h8v32h-8zM28 0h8v32h-8z',
  saltire: 'M0 0h8L44 26v6h-8L0 6zM44 0h-8L0 26v6h8L44 6z',
  cross: 'M14 0h9v32h-9zM0 12h44v8H0z',
  border: 'M0 0H44V32H0zM6 6V26H38V6z',
  chevron: 'M0 0L22 16L0 32z',
};

// ScreenTitle
export const wordsGlen = '{words} · Glen';

// SortableList
export const moveName = 'Move {name}';
export const indexOfIdsCount = '{index} of {idsCount}';
export const isPickedUp = '{name} is picked up, {place}.';
export const wouldBe = '{name} would be {place}.';
export const nameIsPlace = '{name} is {place}.';
export const nameStaysPlace = '{name} stays {place}.';
export const pressSpaceToPickThis =
  'Press space to pick this up, the arrows to move it, space again to put it down, escape to leave it.';

// States
export const loading = 'Loading';
export const thisCouldNotBeLoaded = 'This could not be loaded.';
export const tryAgain = 'Try again';

// TextField

// Theirs
export const somebodyChangedWhileYouWere = 'Somebody changed {what} while you were at it';
export const saveMineOverIt = 'Save mine over it';
export const takeTheirs = 'Take theirs';

// TimeField
export const bells = 'Bells';
export const noTimeWriteItLike = 'No time; write it like 9:15.';

// useMedia
export const minWidth725rem = '(min-width: 72.5rem)';
export const screenAndWidth5625rem = 'screen and (width < 56.25rem)';
