import type { AttendanceRow } from './tallyAttendance.js';

/** What a register says of somebody in the end. */
export type Standing = AttendanceRow['status'] | 'excused';

/** What a host says of somebody against what was measured. */
export interface Correction {
  person: string;
  status: Exclude<Standing, 'guest'>;
  reason: string;
}

/** Why somebody is known to be away. */
export interface Excuse {
  person: string;
  reason: string;
}

export interface StandingRow extends AttendanceRow {
  /** What counts: what was measured, what a host says against it, or that somebody who is away is excused. */
  stands: Standing;
  correction: Correction | null;
  excuse: Excuse | null;
}

/** The first of somebody's. */
function firstOf<Of extends { person: string }>(all: readonly Of[]): Map<string, Of> {
  const found = new Map<string, Of>();
  for (const one of all) if (!found.has(one.person)) found.set(one.person, one);
  return found;
}

function standsAs(
  status: AttendanceRow['status'],
  correction: Correction | undefined,
  excuse: Excuse | undefined,
): Standing {
  if (status === 'guest') return status;
  if (correction) return correction.status;
  return excuse && status === 'absent' ? 'excused' : status;
}

/**
 * What counts in a register: what a host says against it counts for what was measured; whoever is known to be away, and did
 * not come, is excused. What was measured stays beside it; late and left early are said of it alone.
 */
export function whatCounts(
  rows: readonly AttendanceRow[],
  corrections: readonly Correction[],
  excuses: readonly Excuse[],
): StandingRow[] {
  const [corrected, excused] = [firstOf(corrections), firstOf(excuses)];
  return rows.map((row) => {
    const correction = corrected.get(row.person);
    const excuse = excused.get(row.person);
    const stands = standsAs(row.status, correction, excuse);
    const asMeasured = stands === row.status;
    return {
      ...row,
      stands,
      late: row.late && asMeasured,
      leftEarly: row.leftEarly && asMeasured,
      correction: correction ?? null,
      excuse: excuse ?? null,
    };
  });
}
