// Times at which people are free.
export { findFreeTimes, type FreeTime, type FreeTimesAsked } from './findFreeTimes.js';
export { settlePoll, type OfferedTime } from './settlePoll.js';
export { joinedBusy, spreadTimes } from './spreadTimes.js';
export { dayWindows, taughtAt, type DayWindow, type DaysAsked } from './windows.js';
