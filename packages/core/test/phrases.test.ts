import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  addMinutes,
  expandPlan,
  isHeld,
  minuteOfDay,
  readPhrase,
  type PlanTime,
  type ReadPhrase,
} from '../src/index.js';
import { lettersOf, phraseContext } from './phraseSchool.js';

/** What a phrase must give, to the end of the school year: the time by the bells of most days. */
interface Wanted {
  text: string;
  class?: string | null;
  first?: string;
  count?: number;
  last?: string;
  time?: string;
  minutes?: number;
  left_out?: string[];
  unclear: string[];
  either?: true;
}

const { school } = phraseContext;
const phrases = readFileSync(new URL('phrases.jsonl', import.meta.url), 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as Wanted);

function usualTime(at: PlanTime): { time: string; minutes: number } {
  if ('time' in at) return at;
  const { periods } = school.bells[0]!;
  const label = 'period' in at ? at.period : at.bell.period;
  const named = { first: periods[0], last: periods.at(-1) }[label];
  const { start, end } = named ?? periods.find((p) => p.label === label)!;
  if ('period' in at)
    return { time: start, minutes: minuteOfDay(end, '') - minuteOfDay(start, '') };
  const edge = at.bell.edge === 'start' ? start : end;
  return { time: addMinutes(edge, at.bell.offset), minutes: at.minutes };
}

function meaningOf({ plan, classId, unclear }: ReadPhrase): Omit<Wanted, 'text'> {
  const rows = expandPlan(plan, school, { from: plan.first, to: '2027-06-26' });
  const held = rows.filter(isHeld);
  const closed = rows.filter((row) => row.reason === 'closure').map((row) => row.date);
  return {
    class: lettersOf(classId),
    first: held[0]?.date ?? '',
    count: held.length,
    last: held.at(-1)?.date ?? '',
    ...usualTime(plan.at),
    left_out: [...closed, ...(plan.except ?? [])].sort(),
    unclear: unclear.map((place) => place.text),
  };
}

describe('phrases as teachers type them', () => {
  it.each(phrases)('$text', (wanted) => {
    const { text, either, unclear, ...rest } = wanted;
    const meant = meaningOf(readPhrase(text, phraseContext));
    expect(meant).toMatchObject(rest);
    if (either) expect(unclear.some((words) => meant.unclear.includes(words))).toBe(true);
    else expect(meant.unclear).toEqual(unclear);
  });
});
