// Who came.
export {
  tallyAttendance,
  type AttendanceQuestion,
  type AttendanceRow,
  type AttendanceStatus,
  type Visit,
} from './tallyAttendance.js';
export { visitsFromWords, type RoomWord, type Stay } from './visitsFromWords.js';
export { registerInWords, type CountedRow } from './registerInWords.js';
export {
  whatCounts,
  type Correction,
  type Excuse,
  type Standing,
  type StandingRow,
} from './whatCounts.js';
export { registerCsv, type ReturnedRow } from './registerCsv.js';
export {
  AFTER_LESSON_SEEN_BY,
  CHAT_KEPT,
  afterLessonList,
  recordedInWords,
  seesAfterLesson,
  usualUntil,
  type AfterLessonSeenBy,
} from './afterLesson.js';
export { comingsSoFar, type ComingSoFar } from './comingsSoFar.js';
export { awayOn, type Away } from './awayOn.js';
export {
  checkInCode,
  checkInMessage,
  fromOneBrowser,
  mayCheckIn,
  readCheckInCode,
  type CheckInAnswer,
} from './checkIn.js';
export { hasMissed } from './hasMissed.js';
export { registerWays, type RegisterWays } from './registerWays.js';
export { openEndsInWords, weekInWords, type WeekOfClass } from './weekInWords.js';
export {
  countStood,
  stoodInWords,
  sumStood,
  termByWeek,
  type Stood,
  type StoodCounts,
  type TermWeek,
} from './termByWeek.js';
