import { describe, expect, it } from 'vitest';
import { networkOf } from '../src/http/from.js';

describe('the network that an address is counted with', () => {
  it.each([
    ['192.0.2.7', '192.0.2.7'],
    ['::ffff:192.0.2.7', '192.0.2.7'],
    ['2001:db8:1:2:3:4:5:6', '2001:db8:1:2::/64'],
    ['2001:db8:1:2:ffff::1', '2001:db8:1:2::/64'],
    ['2001:db8:1:3::1', '2001:db8:1:3::/64'],
    ['::1', '::/64'],
    ['', ''],
    ['no address', 'no address'],
  ])('of %s is %s', (address, network) => {
    expect(networkOf(address)).toBe(network);
  });
});
