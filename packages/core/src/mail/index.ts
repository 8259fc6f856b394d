// Letters, and how people hear of things.
export { TOLD_KINDS, WAYS, toldBy, type ToldBy, type ToldKind, type ToldWishes } from './wishes.js';
export { fittingWord, newsInWords, newsOfDate, standingOf, type DateNow } from './toldDates.js';
export { lettersInWords } from './lettersInWords.js';
export { morningInWords, type MorningSession } from './morning.js';
export { isUrgent, quietMinutes } from './quiet.js';
export { readReport, type DeliveryReport } from './readReport.js';
export {
  headerText,
  renderLetter,
  wrapLetter,
  type LetterText,
  type ReadyLetter,
} from './letter.js';
