import { secondsOf, utcOf } from '../time/seconds.js';
import { tallyAttendance, type AttendanceQuestion } from './tallyAttendance.js';

/** How somebody of the roll has come and gone in a session that runs. */
export interface ComingSoFar {
  person: string;
  /** Whole minutes after its start that they came; null: not late, or not there yet. */
  lateBy: number | null;
  /** They were away in between. */
  isBack: boolean;
  /** Until when they were in, where they were and are not. */
  goneAt: string | null;
}

const A_MINUTE = 60;

/**
 * Who of a roll was late, has gone and is back, up to now; by the same rules as the register that is made afterwards
 * (`tallyAttendance`). Whoever has not come yet is left out.
 */
export function comingsSoFar(question: AttendanceQuestion): ComingSoFar[] {
  const roll = new Set(question.roll);
  const inNow = new Set(question.visits.filter(({ to }) => to === null).map((v) => v.person));
  // Whoever has come this very second has been in for some of it.
  const now = utcOf(secondsOf(question.now, 'now') + 1);
  return tallyAttendance({ ...question, now }).flatMap(({ person, late, spans }) => {
    const [first, last] = [spans[0], spans.at(-1)];
    if (!first || !last || !roll.has(person)) return [];
    const after = secondsOf(first.from, 'from') - secondsOf(question.start, 'start');
    return [
      {
        person,
        lateBy: late ? Math.floor(after / A_MINUTE) : null,
        isBack: inNow.has(person) && spans.length > 1,
        goneAt: inNow.has(person) ? null : last.to,
      },
    ];
  });
}
