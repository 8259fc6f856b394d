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
