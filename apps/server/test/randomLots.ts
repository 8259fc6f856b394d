import fc, { type GeneratorValue } from 'fast-check';
import { addDays } from '@glen/core';

// What a school at random is drawn from.

export const FIRST_DAY = '2026-10-12';
const DAYS = 12;
export const NOW = '2026-10-17T10:00:00Z';

export const ids = (count: number): number[] => Array.from({ length: count }, (_, i) => i + 1);

export const PEOPLE = ids(30);
export const ACCOUNTS = ids(36);
export const CLASSES = ids(9);
export const LINKS = ids(22);
export const GROUPS = ids(8);
export const SERIES = ids(30);
export const POSTS = ids(10);
export const PLACES = ids(24);
export const DAYS_OF_SCHOOL = Array.from({ length: DAYS }, (_, i) => addDays(FIRST_DAY, i));

/** Draws what the school is made of. */
export class Lots {
  constructor(private readonly value: GeneratorValue) {}

  of<T>(from: readonly T[]): T {
    return this.value(() => fc.constantFrom(...from));
  }

  some<T>(from: readonly T[], most = from.length): T[] {
    return this.value(() => fc.subarray([...from], { maxLength: most }));
  }

  /** Whether something is so that is so in so many of a hundred cases. */
  is(percent: number): boolean {
    return this.value(() => fc.integer({ min: 0, max: 99 })) < percent;
  }

  maybe<T>(percent: number, make: () => T): T | null {
    return this.is(percent) ? make() : null;
  }
}
