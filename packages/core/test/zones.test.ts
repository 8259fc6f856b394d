import { spawnSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import { addDays, expandPlan } from '../src/index.js';

describe('against the transitions that zdump prints from the system’s tz database', () => {
  it.each([
    'America/Halifax',
    'Europe/London',
    'Australia/Lord_Howe',
    'Pacific/Apia',
    'America/Sao_Paulo',
  ])('%s: every hour around each change stands at the offset of that moment', (zone) => {
    const printed = spawnSync('zdump', ['-v', '-c', '2005,2032', zone], {
      encoding: 'utf8',
    }).stdout.split('\n');
    const changes = printed.flatMap((line) =>
      /(\w{3}) +(\d+) (\d\d):(\d\d):(\d\d) (\d{4}) UT = .* gmtoff=(-?\d+)/.exec(line)?.slice(1)
        ? [line]
        : [],
    );
    for (const line of changes) {
      const [, month, day, h, m, s, year, offset] =
        /(\w{3}) +(\d+) (\d\d):(\d\d):(\d\d) (\d{4}) UT = .* gmtoff=(-?\d+)/.exec(
          line,
        )! as unknown as string[];
      if (Number(year) < 2006 || Number(year) > 2031) continue;
      const utc = Date.UTC(
        Number(year),
        'JanFebMarAprMayJunJulAugSepOctNovDec'.indexOf(month!) / 3,
        Number(day),
        Number(h),
        Number(m),
        Number(s),
      );
      // A day before and a day after, well clear of missing and double hours, the offset is the one of that side.
      const wall = new Date(
        utc + Number(offset) * 1000 + (s === '59' ? -86400000 : 86400000),
      ).toISOString();
      const [row] = expandPlan(
        {
          first: wall.slice(0, 10),
          at: { time: wall.slice(11, 16), minutes: 1 },
          zone,
          closures: 'keep',
        },
        null,
        { from: wall.slice(0, 10), to: addDays(wall.slice(0, 10), 2) },
      );
      expect([line, row!.start]).toEqual([
        line,
        new Date(Date.parse(`${wall.slice(0, 16)}:00Z`) - Number(offset) * 1000)
          .toISOString()
          .replace('.000', ''),
      ]);
    }
    expect(changes.length).toBeGreaterThan(2);
  });
});
