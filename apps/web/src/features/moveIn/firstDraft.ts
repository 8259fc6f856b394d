import { likelyTerms } from '@glen/core';
import type { MoveInDraft } from '@glen/contract';

export type SchoolDraft = NonNullable<MoveInDraft['school']>;
export type YearDraft = NonNullable<MoveInDraft['year']>;
export type YouDraft = NonNullable<MoveInDraft['you']>;

/** Everything that is typed on the first three pages. */
export interface Draft {
  school: SchoolDraft;
  year: YearDraft;
  you: YouDraft;
}

/** The order in which the browser's own language writes a date. */
function dateOrderHere(): SchoolDraft['dateOrder'] {
  const parts = new Intl.DateTimeFormat().formatToParts(new Date(2026, 9, 14));
  const order = parts.map((p) => p.type[0]).filter((c) => 'dmy'.includes(c ?? '-'));
  const found = order.join('');
  return found === 'mdy' || found === 'ymd' ? found : 'dmy';
}

const hoursHere = (): SchoolDraft['hours'] =>
  new Intl.DateTimeFormat(undefined, { hour: 'numeric' }).resolvedOptions().hour12 ? '12' : '24';

/** The country of the browser's language, if it names one. */
const regionHere = (): string => new Intl.Locale(navigator.language).region ?? '';

const schoolHere = (): SchoolDraft => ({
  name: '',
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  region: regionHere(),
  dateOrder: dateOrderHere(),
  hours: hoursHere(),
  help: '',
  alone: false,
});

export const FIRST_PATTERN: NonNullable<YearDraft['bells']> = {
  count: '6',
  minutes: '50',
  first: '08:40',
  between: '5',
  breaks: [{ after: '2', minutes: '20' }],
};

const yearFor = (today: string, region: string): YearDraft => ({
  terms: likelyTerms(today, region),
  holidaysOf: '',
  holidays: [],
  bells: FIRST_PATTERN,
  cycle: '',
});

/** What was kept, and for the rest what this browser and this day make likely. */
export function draftFrom({ draft, today }: { draft: MoveInDraft; today: string }): Draft {
  const school = draft.school ?? schoolHere();
  return {
    school,
    year: draft.year ?? yearFor(today, school.region),
    you: draft.you ?? { name: '', email: '' },
  };
}
