import Papa from 'papaparse';
import type { Standing } from './whatCounts.js';

/** Somebody at one session, as a return tells of them. */
export interface ReturnedRow {
  /** Wall clock of the school. */
  date: string;
  time: string;
  classTitle: string;
  session: string;
  name: string;
  stands: Standing;
  /** As measured. */
  status: Standing;
  late: boolean;
  leftEarly: boolean;
  minutes: number;
  reason: string;
  isSettled: boolean;
}

const COLUMNS = [
  'Date',
  'Time',
  'Class period',
  'Session',
  'Name',
  'Counts as',
  'Measured',
  'Late',
  'Left early',
  'Minutes',
  'Reason',
  'Settled',
];

const yes = (is: boolean): string => (is ? 'yes' : 'no');

const cellsOf = (row: ReturnedRow): (string | number)[] => [
  row.date,
  row.time,
  row.classTitle,
  row.session,
  row.name,
  row.stands,
  row.status,
  yes(row.late),
  yes(row.leftEarly),
  row.minutes,
  row.reason,
  yes(row.isSettled),
];

/** Told to spreadsheets, which take a file without it for one of their own old character sets. */
const BYTE_ORDER_MARK = '\uFEFF';

/**
 * A return as comma-separated values (RFC 4180): a heading line, a line for each person and session, lines ended by CRLF.
 * What a spreadsheet would take for a formula (`=`, `+`, `-`, `@`, tab or return first) is set off by an apostrophe: common
 * practice, no standard says so.
 */
export const registerCsv = (rows: readonly ReturnedRow[]): string =>
  BYTE_ORDER_MARK +
  Papa.unparse(
    { fields: COLUMNS, data: rows.map(cellsOf) },
    { newline: '\r\n', escapeFormulae: true },
  ) +
  '\r\n';
