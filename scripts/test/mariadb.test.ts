import { tmpdir } from 'node:os';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { ensurePackages, mustHaveRoom, withSbin } from '../mariadb.mjs';

const MB = 1024 * 1024;

afterEach(() => vi.restoreAllMocks());

describe('what stands in the way of a start', () => {
  it('is a full disk: said in one line, with what is free and what is needed', () => {
    expect(() => mustHaveRoom('/srv/glen', true, 12 * MB)).toThrow(
      /^The disk is full: 12 MB are free in \/srv\/glen, and Glen needs 300 MB to start\.$/,
    );
    expect(() => mustHaveRoom('/srv/glen', false, 60 * MB)).not.toThrow();
    expect(() => mustHaveRoom(tmpdir(), true)).not.toThrow();
  });

  it('is no right to install: said with the one line to run', () => {
    vi.spyOn(process, 'getuid').mockReturnValue(1000);
    expect(() => ensurePackages({ 'no-such-command': 'some-package' }, () => {})).toThrow(
      `Glen needs some-package. Run this, then try again:  sudo sh -c 'apt-get update && apt-get install -y --no-install-recommends some-package'`,
    );
  });

  it('is no PATH of an ordinary user, in which servers are missing', () => {
    expect(withSbin('/usr/local/bin:/usr/bin:/home/ines/tools')).toBe(
      '/usr/local/bin:/usr/bin:/home/ines/tools:/usr/local/sbin:/usr/sbin',
    );
  });

  it('is nothing where everything is there', () => {
    expect(() => ensurePackages({ sh: 'dash' }, () => {})).not.toThrow();
  });
});
