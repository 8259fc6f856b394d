import { dateInWords } from '../time/dates.js';
import { wallClockAt, placeWallTime } from '../time/instants.js';
import { plusMinutes } from '../time/seconds.js';
import { tidy } from './blocks.js';

/** Where a session stands or stood: wall clock in the school's zone. */
interface Standing {
  date: string;
  time: string;
  minutes: number;
}

/** A session that is not held as people knew it. `was`: where a moved one stood before; `note`: why, in its host's words. */
export interface ChangedSession extends Standing {
  title: string;
  status: 'cancelled' | 'moved';
  was: Standing | null;
  note: string | null;
}

const at = ({ date, time }: Standing): string => `${dateInWords(date)} ${time}`;

/** From where to where, the date said once. */
const fromTo = (was: Standing, now: Standing): string =>
  was.date === now.date
    ? `${dateInWords(now.date)}, from ${was.time} to ${now.time}`
    : `from ${at(was)} to ${at(now)}`;

function whenInWords(changed: ChangedSession): string {
  const { status, was } = changed;
  return status === 'moved' && was !== null ? fromTo(was, changed) : at(changed);
}

/** What is said where people look for a session that is not held as they knew it: `Cancelled: Ropework, Wed 14 Oct 10:45 (storm)`. */
export function changeInWords(changed: ChangedSession): string {
  const { title, status, note } = changed;
  const said = tidy(note ?? '').replace(/\s+/g, ' ');
  const kind = status === 'moved' ? 'Moved' : 'Cancelled';
  return `${kind}: ${title}, ${whenInWords(changed)}${said === '' ? '' : ` (${said})`}`;
}

/** So long beforehand a door tells of a change, in minutes, where that is not on the same day anyhow. */
const TOLD_BEFORE = 12 * 60;

interface Moment {
  /** An instant. */
  now: string;
  zone: string;
}

/** Whether people may stand at the door at `now` for what was to be held somewhere in time. */
function isAwaited({ date, time, minutes }: Standing, { now, zone }: Moment): boolean {
  const { start, end } = placeWallTime(date, time, minutes, zone);
  const isToday = wallClockAt(now, zone).date === date;
  return end > now && (isToday || start <= plusMinutes(now, TOLD_BEFORE));
}

/** When people who know nothing of the change would come. */
const knownTime = (changed: ChangedSession): Standing =>
  changed.status === 'moved' && changed.was !== null ? changed.was : changed;

/** Of some changed sessions of a door the one to tell those of who stand there now: the first whose old time is near; null where none is. */
export function changeToTell(changed: ChangedSession[], moment: Moment): ChangedSession | null {
  const awaited = changed.filter((c) => {
    const isMoved = c.status === 'moved';
    return (
      (!isMoved || c.was !== null) &&
      (isAwaited(knownTime(c), moment) || (isMoved && isAwaited(c, moment)))
    );
  });
  const order = (c: ChangedSession): string => `${knownTime(c).date} ${knownTime(c).time}`;
  return awaited.sort((a, b) => (order(a) < order(b) ? -1 : 1))[0] ?? null;
}
