import { areHostsGone } from '../entry/hostsGone.js';
import { wallClockAt } from '../time/instants.js';
import type { Note } from './note.js';

/** The room of a session, as far as people may be in it alone. */
export interface DayRoom {
  linkId: number;
  title: string;
  inside: number;
  /** People are in it without a host: since when, where one has been, and when Glen closes it. Instants. */
  alone: { since: string | null; closesAt: string } | null;
}

/** People in a room, counted. */
const peopleInside = (n: number): string => (n === 1 ? '1 person is' : `${n} people are`);

/** What is said of people in a room that hosts have left; `since` and `closes` on a wall clock. */
export const aloneInWords = (inside: number, since: string, closes: string): string =>
  `${peopleInside(inside)} in the room, without a host since ${since}. Glen closes it at ${closes}.`;

/** A note for each room that its hosts have left a while ago with people in it; also past its end. `zone`: the school's. */
export const leftAlone = (rooms: DayRoom[], now: string, zone: string): Note[] =>
  rooms.flatMap(({ alone, inside, title, linkId }): Note[] => {
    if (alone?.since == null) return [];
    if (!areHostsGone({ hostsInside: 0, hostLeftAt: alone.since }, now)) return [];
    const [since, closes] = [alone.since, alone.closesAt].map((at) => wallClockAt(at, zone).time);
    return [
      {
        severity: 'wrong',
        title: `No host is in: ${title}`,
        text: aloneInWords(inside, since!, closes!),
        actions: [{ name: 'go-to-desk', label: 'To the desk', subject: linkId }],
      },
    ];
  });
