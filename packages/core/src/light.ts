/**
 * The part of the core that needs no time zones: small enough for a browser's first load.
 * Everything here is exported from the index too.
 */
export {
  WEEKDAYS,
  WEEKDAY_NAMES,
  addDays,
  addMinutes,
  dateInWords,
  dayNumber,
  minuteOfDay,
  timeOf,
  weekdayOf,
} from './time/dates.js';
export {
  dateShown,
  readTypedDate,
  readTypedTime,
  timeShown,
  type ClockHours,
  type DateOrder,
} from './time/typed.js';
export { utcOf, plusMinutes, secondsOf } from './time/seconds.js';
export { longerFromNow } from './plan/longerFromNow.js';
export { stillInside } from './margin/stillInside.js';
export { sessionsOfNow } from './margin/sessionsOfNow.js';
export { areHostsGone } from './entry/hostsGone.js';
export { aloneInWords } from './margin/leftAlone.js';
export { lobbyReason } from './entry/lobbyReason.js';
export {
  PERSON_ROLES,
  areOffice,
  areStaff,
  rolesInWords,
  type PersonRole,
} from './people/roles.js';
export { GUEST_COMES, type GuestComes } from './guest/comes.js';
export {
  AFTER_LESSON_SEEN_BY,
  CHAT_KEPT,
  recordedInWords,
  usualUntil,
  type AfterLessonSeenBy,
} from './register/afterLesson.js';
export { programmeAt, type ProgrammeNow } from './programme/programme.js';
export { MOST_WANTED } from './appointment/fitAppointments.js';
export { fitWishes, type NumberedSlot } from './appointment/fitWishes.js';
export { turnInWords, type SlotTurn } from './slots/slotTurn.js';
export { counted } from './margin/counted.js';
export { classTitle } from './calendar/classTitle.js';
export { readLinkCode } from './link/linkCode.js';
export { schoolTime, zonePlace } from './time/zoneWords.js';
export { isOvernight } from './plan/ofDay.js';
export { SIGN_ON_TROUBLES, signOnTroubleInWords, type SignOnTrouble } from './signOn/trouble.js';
export { withReach } from './margin/notesForReachOfDay.js';
