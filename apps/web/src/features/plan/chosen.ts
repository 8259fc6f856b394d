import { dateInWords } from '@glen/core';
import type { Sent } from '@glen/contract';
import type { Notch } from './strip/layout.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

export type Change = Sent<'changeSessions'>['changes'][number];

/** What is chosen on the strip or in the week: a session with its series, or all of some days. */
export type Chosen = { notch: Notch } | { from: string; to: string } | null;

export const chosenNotch = (chosen: Chosen): Notch | null =>
  chosen && 'notch' in chosen ? chosen.notch : null;

export const chosenDays = (chosen: Chosen): { from: string; to: string } | null =>
  chosen && 'from' in chosen ? chosen : null;

/** Where a session is put down: on a date, and in the week at a time. */
export interface PutDown {
  date: string;
  time?: string;
  /** The version of the series that was looked at. */
  version: number;
}

/** Some days in words. */
export const daysInWords = (from: string, to: string): string =>
  from === to
    ? dateInWords(from)
    : fill(say.fromDateToDate, { from: dateInWords(from), until: dateInWords(to) });
