import { dayInfo, type SchoolCalendar } from '@glen/core';
import { isoOf } from '../../ui/dayPicker.js';
import OneDay from '../../ui/OneDay.js';

/** Days without teaching are struck; a series' own dates are underlined. */
export const closedDays = (school: SchoolCalendar, own: string[] = []) => ({
  modifiers: {
    closed: (d: Date) => !dayInfo(school, isoOf(d)).teaching,
    own: (d: Date) => own.includes(isoOf(d)),
  },
  modifiersClassNames: {
    closed: 'text-soft line-through',
    own: 'font-bold underline decoration-bracken decoration-2 underline-offset-4',
  },
});

/** One date; closed days are struck. */
export function DatePicker({
  date,
  school,
  onPick,
}: {
  date: string;
  school: SchoolCalendar;
  onPick: (date: string) => void;
}) {
  return <OneDay date={date} onPick={onPick} {...closedDays(school)} />;
}
