import type { Answer } from '@glen/contract';
import type { Tone } from '../../ui/Chip.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

export type Register = Answer<'register'>;
export type Row = Register['rows'][number];

/** What counts, as it is said and shown. */
export const STANDS: Record<Row['stands'], { tone: Tone; text: string }> = {
  present: { tone: 'well', text: say.present },
  partly: { tone: 'careful', text: say.partly },
  excused: { tone: 'inform', text: say.excused },
  absent: { tone: 'plain', text: say.absent },
  guest: { tone: 'inform', text: say.guest },
};

const MEASURED: Record<Row['status'], string> = say.measured;

/** What was measured, where something else counts. */
export const measuredInWords = ({ status, minutes }: Row): string =>
  minutes > 0
    ? fill(say.measuredMin, { measured: MEASURED[status], minutes })
    : fill(say.measuredOnly, { measured: MEASURED[status] });

export const flagsInWords = ({ late, leftEarly }: Row): string =>
  [late && say.late, leftEarly && say.leftEarly].filter(Boolean).join(', ');

/** What a host may say of somebody. */
export const SAYABLE = (['present', 'partly', 'excused', 'absent'] as const).map((value) => ({
  value,
  label: STANDS[value].text,
}));
