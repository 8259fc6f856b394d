import { expect, it } from 'vitest';
import { OpenStreams, isDeaf } from '../src/features/live/openStreams.js';
import { NOBODY } from '../src/http/who.js';

it('without an account a network has a thousand streams at most, an IPv6 one by its first 64 bits', () => {
  const open = new OpenStreams();
  const giveBack = Array.from({ length: 1000 }, (_, i) =>
    open.take(NOBODY, `2001:db8::${i.toString(16)}`),
  );
  expect(() => open.take(NOBODY, '2001:db8::ffff:1')).toThrow('Too many pages');
  expect(() => open.take(NOBODY, '2001:db8:0:1::1')).not.toThrow();
  giveBack[0]!();
  expect(() => open.take(NOBODY, '2001:db8::ffff:1')).not.toThrow();
});

it('who has left 64 KiB unread has stopped reading', () => {
  expect(isDeaf({ writableLength: 65_536 })).toBe(false);
  expect(isDeaf({ writableLength: 65_537 })).toBe(true);
});
