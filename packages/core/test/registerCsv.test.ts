import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { parse } from 'csv-parse/sync';
import { registerCsv, type ReturnedRow } from '../src/index.js';

const ROW: ReturnedRow = {
  date: '2026-10-12',
  time: '10:45',
  classTitle: 'Coastal Navigation, period 3',
  session: 'Tides',
  name: 'Ansel Grue',
  stands: 'present',
  status: 'absent',
  late: false,
  leftEarly: false,
  minutes: 0,
  reason: 'Phone died, "was" in the room',
  isSettled: true,
};

const read = (csv: string): Record<string, string>[] =>
  parse(csv, { columns: true, bom: true, record_delimiter: '\r\n' });

describe('a return as comma-separated values (RFC 4180)', () => {
  it('has a heading line, and lines ended by CRLF', () => {
    const csv = registerCsv([ROW]);
    expect(csv).toContain('Date,Time,Class period,Session,Name,Counts as,Measured,');
    expect(csv).toContain('"Phone died, ""was"" in the room",yes\r\n');
    expect(csv.endsWith('\r\n')).toBe(true);
  });

  it('is read back by another reader', () => {
    expect(read(registerCsv([ROW]))[0]).toMatchObject({
      Date: '2026-10-12',
      'Class period': 'Coastal Navigation, period 3',
      'Counts as': 'present',
      Measured: 'absent',
      Reason: 'Phone died, "was" in the room',
      Settled: 'yes',
    });
  });

  // Common practice against formulas in files of strangers; no standard.
  it('holds no cell that a spreadsheet would work out', () => {
    const starts = fc.constantFrom('=', '+', '-', '@', '\t', '\r', 'x', '');
    const text = fc.tuple(starts, fc.string({ maxLength: 20 })).map((parts) => parts.join(''));
    fc.assert(
      fc.property(text, text, (name, reason) => {
        const [row] = read(registerCsv([{ ...ROW, name, reason }]));
        for (const cell of Object.values(row!)) expect(cell).not.toMatch(/^[=+\-@\t\r]/);
        expect([name, `'${name}`]).toContain(row!.Name);
      }),
    );
  });
});
