import { expect, it } from 'vitest';
import { line } from '../src/basics.js';

it.each([
  ['Chart work\r\nATTENDEE:x', 'Chart work ATTENDEE:x'],
  ['  Chart\u2028work  ', 'Chart work'],
  ['Chart \u202ework', 'Chart work'],
  ['Chart\u0007 work', 'Chart work'],
  ['Tide tables', 'Tide tables'],
])('what something is called stands on one line: %j is %j', (typed, kept) => {
  expect(line(80).parse(typed)).toBe(kept);
});

it('of what cannot be seen alone there is no name', () => {
  const { success } = line(80).min(1, 'Give a name.').safeParse('\u202e \n');
  expect(success).toBe(false);
});

it('is refused with its limit where it is too long', () => {
  const { error } = line(4).safeParse('longer');
  expect(error?.issues[0]?.message).toBe('At most 4 characters.');
});
