import { dayInfo, type SchoolCalendar } from '@glen/core';
import { isoOf } from '../../ui/dayPicker.js';
import OneDay from '../../ui/OneDay.js';

/** Days without teaching are struck. */
export const closedDays = (school: SchoolCalendar) => ({
  modifiers: { closed: (d: Date) => !dayInfo(school, isoOf(d)).teaching },
  modifiersClassNames: { closed: 'text-soft line-through' },
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
