import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { root } from '../build.mjs';

let dir: string;
beforeEach(() => {
  dir = mkdtempSync(join(tmpdir(), 'glen-start-'));
});
afterEach(() => rmSync(dir, { recursive: true, force: true }));

/** Runs the start command with only these programs to be found. */
function glen(args: string[], programs: string[]): { status: number | null; said: string } {
  for (const program of programs) symlinkSync(program, join(dir, program.split('/').at(-1)!));
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    [join(root, 'scripts/glen.mjs'), ...args],
    { encoding: 'utf8', env: { PATH: dir, HOME: dir } },
  );
  return { status, said: stdout + stderr };
}

describe('./glen', () => {
  it('says in one line what to run where MariaDB is missing and may not be installed', () => {
    const { status, said } = glen(['up', '--data', join(dir, 'data')], ['/bin/sh']);
    expect(status).toBe(1);
    expect(said.trim().split('\n')).toEqual([
      expect.stringMatching(
        /^Glen needs mariadb-server\. Run this, then try again: {2}sudo sh -c 'apt-get update && apt-get install -y .*mariadb-server'$/,
      ),
    ]);
  });
  it('refuses a folder that a running Glen uses', () => {
    writeFileSync(join(dir, 'owner.pid'), String(process.pid));
    const { status, said } = glen(
      ['up', '--data', dir],
      ['/bin/sh', '/usr/sbin/mariadbd', process.execPath],
    );
    expect(status).toBe(1);
    expect(said).toContain('already');
  });
  it('knows its commands and options', () => {
    expect(glen(['sing'], []).status).toBe(2);
    expect(glen(['up', '--loud'], []).said).toContain('There is no option --loud');
    expect(glen(['up', '--at', 'noon'], []).said).toContain('--at wants a date and time');
  });
});
