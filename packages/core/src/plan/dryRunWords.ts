import { addMinutes } from '../time/dates.js';

/** Items one after the other, the last of many only counted. */
export const listed = (items: string[], most = 3): string =>
  items.length <= most
    ? items.join('; ')
    : `${items.slice(0, most - 1).join('; ')}; and ${items.length - most + 1} more`;
/** "1 session", "3 sessions". */
export const count = (n: number, one: string, many = `${one}s`): string =>
  `${n} ${n === 1 ? one : many}`;
/** From when to when. */
export const span = (time: string, minutes: number): string =>
  `${time}–${addMinutes(time, minutes)}`;

export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** `you, Tomas Verhage and 3 students` of what two bookings hold. */
export function holdersInWords(on: string[], names: Record<string, string>): string {
  const named = on.flatMap((thing) => names[thing] ?? []);
  const students = on.length - named.length;
  const all = [...named, ...(students > 0 ? [count(students, 'student')] : [])];
  return all.length < 2 ? all.join('') : `${all.slice(0, -1).join(', ')} and ${all.at(-1)!}`;
}
