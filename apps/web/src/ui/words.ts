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
