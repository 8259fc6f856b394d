import * as say from './words.js';
/** Every key, as the list behind `?` shows it. None works while somebody types. */
export const KEYS: [string, string][] = [
  ['/', say.findOrDo],
  ['1 2 3 4 5', say.todayPlanClassesPostsSchool],
  ['s', say.scheduleASessionWithin],
  ['u', 'undo'],
  ['U', say.doItAgain],
  ['w', say.onThePlanWeek],
  ['m', say.onThePlanPick],
  ['[ ]', say.backOn],
  ['i', say.atTheDeskLet],
  ['a', say.atTheDeskLetAll],
  ['o', say.atTheDeskOpen],
  ['?', say.thisList],
];
