// Times at which people are free.
export { findFreeTimes, type FreeTime, type FreeTimesAsked } from './findFreeTimes.js';
