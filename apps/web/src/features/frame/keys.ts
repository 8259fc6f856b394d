/** Every key, as the list behind `?` shows it. None works while somebody types. */
export const KEYS: [string, string][] = [
  ['/', 'find or do'],
  ['1 2 3 4 5', 'Today, Plan, Classes, Posts, School'],
  ['s', 'schedule a session'],
  ['u', 'undo'],
  ['U', 'do it again'],
  ['w', 'on the plan: week or term'],
  ['m', 'on the plan: pick a session up, arrows move it, Enter puts it down'],
  ['[ ]', 'back, on'],
  ['i', 'at the desk: let the next one in'],
  ['a', 'at the desk: let all of the roll in'],
  ['o', 'at the desk: open the door, or go in'],
  ['?', 'this list'],
];
