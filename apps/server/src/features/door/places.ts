import type { PreparedValues } from '../../db/preparedReads.js';

// Prepared statements that ask for several at once.

/** A prepared statement has as many places as it has: 1, 2, 4, 8 …, the last of them filled with none. */
const placesFor = (count: number): number => (count <= 1 ? count : 2 * placesFor(count / 2));

export const named = (name: string, places: number): string =>
  Array.from({ length: places }, (_, i) => `:${name}${i}`).join(', ');

/** Statements by their number of places, each made once. */
export function withPlaces(make: (places: number) => string): (count: number) => [string, number] {
  const made = new Map<number, string>();
  return (count) => {
    const places = placesFor(count);
    const sql = made.get(places) ?? make(places);
    made.set(places, sql);
    return [sql, places];
  };
}

export function fill(values: PreparedValues, name: string, ids: number[], places: number): void {
  for (let i = 0; i < places; i++) values[`${name}${i}`] = ids[i] ?? 0;
}
