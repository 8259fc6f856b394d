import type { ComponentProps } from 'react';
import { DayPicker } from 'react-day-picker';
import { dateFor, isoOf, pickerDress } from './dayPicker.js';

/** Days to be marked in the month, and how. */
type Marks = Pick<ComponentProps<typeof DayPicker>, 'modifiers' | 'modifiersClassNames'>;

interface OneDayProps extends Marks {
  /** yyyy-mm-dd, as is what `onPick` gives. */
  date: string;
  onPick: (date: string) => void;
}

/** A month of which one day is picked. */
const OneDay = ({ date, onPick, ...marks }: OneDayProps) => (
  <DayPicker
    mode="single"
    weekStartsOn={1}
    required
    defaultMonth={dateFor(date)}
    selected={dateFor(date)}
    classNames={pickerDress}
    onSelect={(day: Date | undefined) => {
      if (day) onPick(isoOf(day));
    }}
    {...marks}
  />
);

export default OneDay;
