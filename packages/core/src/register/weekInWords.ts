import { counted } from '../margin/counted.js';
import { dateInWords } from '../time/dates.js';

/** A session of a week, as it is told of afterwards. */
export interface WeekSession {
  /** Wall clock of the school. */
  date: string;
  time: string;
  /** How many came of how many; null where nobody opened the door. */
  came: number | null;
  of: number;
  isSettled: boolean;
}

export interface WeekOfClass {
  title: string;
  sessions: WeekSession[];
}

const inALine = ({ date, time, came, of }: WeekSession): string =>
  `${dateInWords(date)} ${time}: ${came === null ? 'its door was never opened' : `${came} of ${of} came`}`;

/** What is open in a week: `2 doors were never opened; 1 register is not settled`. Null where nothing is. */
export function openEndsInWords({
  notOpened,
  notSettled,
}: {
  notOpened: number;
  notSettled: number;
}): string | null {
  const said = [
    notOpened > 0 && `${counted(notOpened, 'door was', 'doors were')} never opened`,
    notSettled > 0 && `${counted(notSettled, 'register is', 'registers are')} not settled`,
  ].filter(Boolean);
  return said.length > 0 ? said.join('; ') : null;
}

/** What is open at the end of a week, and what becomes of it. */
function openInWords(sessions: readonly WeekSession[]): string | null {
  const notOpened = sessions.filter(({ came }) => came === null).length;
  const notSettled = sessions.filter(({ came, isSettled }) => came !== null && !isSettled).length;
  const said = openEndsInWords({ notOpened, notSettled });
  const after = notSettled > 0 ? '; a day after their sessions they settle by themselves' : '';
  return said === null ? null : `${said}${after}.`;
}

/** Of more class periods than these the week is told in one line: the page has them all. */
const MOST_CLASSES = 12;

/** What somebody is told of the week's registers. Null for a week without sessions. */
export function weekInWords(
  classes: readonly WeekOfClass[],
): { subject: string; says: (string | string[])[] } | null {
  const sessions = classes.flatMap((one) => one.sessions);
  if (sessions.length === 0) return null;
  const held = sessions.filter(({ came }) => came !== null);
  const came = held.reduce((sum, one) => sum + (one.came ?? 0), 0);
  const expected = held.reduce((sum, { of }) => sum + of, 0);
  const whole = `${counted(held.length, 'session was', 'sessions were')} held, and ${came} of ${expected} came.`;
  const open = openInWords(sessions);
  const byClass =
    classes.length > MOST_CLASSES
      ? []
      : classes
          .filter((one) => one.sessions.length > 0)
          .flatMap((one) => [`${one.title}:`, one.sessions.map(inALine)]);
  return {
    subject: `Who came this week: ${counted(held.length, 'session', 'sessions')}`,
    says: [whole, ...(open === null ? [] : [open]), ...byClass],
  };
}
