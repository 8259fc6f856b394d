import type { Answer } from '@glen/contract';
import type { Tone } from '../../ui/Chip.js';

export type Register = Answer<'register'>;
export type Row = Register['rows'][number];

/** What counts, as it is said and shown. */
export const STANDS: Record<Row['stands'], { tone: Tone; text: string }> = {
  present: { tone: 'well', text: 'present' },
  partly: { tone: 'careful', text: 'partly' },
  excused: { tone: 'inform', text: 'excused' },
  absent: { tone: 'plain', text: 'absent' },
  guest: { tone: 'inform', text: 'guest' },
};

const MEASURED: Record<Row['status'], string> = {
  present: 'in',
  partly: 'in for a part of it',
  absent: 'not in',
  guest: 'in as a guest',
};

/** What was measured, where something else counts. */
export const measuredInWords = ({ status, minutes }: Row): string =>
  minutes > 0 ? `measured: ${MEASURED[status]}, ${minutes} min` : `measured: ${MEASURED[status]}`;

export const flagsInWords = ({ late, leftEarly }: Row): string =>
  [late && 'late', leftEarly && 'left early'].filter(Boolean).join(', ');

/** What a host may say of somebody. */
export const SAYABLE = (['present', 'partly', 'excused', 'absent'] as const).map((value) => ({
  value,
  label: STANDS[value].text,
}));
