import { addMinutes } from '../time/dates.js';

/** A session of somebody's day; wall clock of the school. */
export interface MorningSession {
  title: string;
  /** The class period's name; left out where it is called so itself. */
  of: string;
  time: string;
  minutes: number;
}

const inALine = ({ title, of, time, minutes }: MorningSession): string => {
  const called = title.includes(of) ? title : `${title}, ${of}`;
  return `${time} to ${addMinutes(time, minutes)}: ${called}`;
};

/** What somebody is told in the morning: the day's sessions in order, and what needs thought. Null on a day with neither. */
export function morningInWords(
  sessions: readonly MorningSession[],
  thoughts: readonly string[],
): { subject: string; says: (string | string[])[] } | null {
  const [first] = sessions;
  if (!first) return null;
  const many = sessions.length === 1 ? 'one session' : `${sessions.length} sessions`;
  const from = sessions.length === 1 ? `at ${first.time}` : `the first at ${first.time}`;
  return {
    subject: `Today: ${many}, ${from}`,
    says: [
      sessions.map(inALine),
      ...(thoughts.length > 0 ? ['What needs thought:', [...thoughts]] : []),
    ],
  };
}
