// Letters, and how people hear of things.
export { TOLD_KINDS, WAYS, toldBy, type ToldBy, type ToldKind, type ToldWishes } from './wishes.js';
export { fittingWord, newsInWords, newsOfDate, standingOf, type DateNow } from './toldDates.js';
export { headerText, renderLetter, type LetterText } from './letter.js';
