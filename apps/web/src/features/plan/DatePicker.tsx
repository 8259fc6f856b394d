import { DayPicker } from 'react-day-picker';
import { dayInfo, type SchoolCalendar } from '@glen/core';

/** A local date of the browser's own `Date`, by which the calendar goes. */
export const isoOf = (d: Date): string =>
  `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`;
export const dateFor = (date: string): Date => new Date(`${date}T12:00`);

export const pickerDress = {
  selected: 'bg-bracken-tint font-bold',
  day_button: 'size-9 rounded-small hover:bg-shade',
  chevron: 'fill-current size-4',
  nav: 'flex gap-2 float-right',
  month_caption: 'font-semibold pb-2',
  today: 'underline',
};
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
  return (
    <DayPicker
      mode="single"
      weekStartsOn={1}
      required
      defaultMonth={dateFor(date)}
      selected={dateFor(date)}
      {...closedDays(school)}
      classNames={pickerDress}
      onSelect={(d: Date | undefined) => {
        if (d) onPick(isoOf(d));
      }}
    />
  );
}
