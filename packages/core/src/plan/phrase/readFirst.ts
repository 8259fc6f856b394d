import { WEEKDAYS, addDays, dayNumber, weekdayIndex } from '../../time/dates.js';
import type { Parts, Reading } from './reading.js';
import { DATE, DAY, dateOfWords, weekdayOfWord, words } from './vocabulary.js';

/** The first date: today, a date, or the next such weekday. */
export function readFirst(reading: Reading, parts: Parts, today: string): void {
  const set = (text: string): boolean => {
    const date = dateOfWords(text, today);
    if (!date) return false;
    parts.first = date;
    return true;
  };
  void (
    reading.take(words('(?:from\\s+|starting\\s+)?today'), () => {
      parts.first = today;
    }) ||
    reading.take(words('(?:from\\s+|starting\\s+)?tomorrow'), () => {
      parts.first = addDays(today, 1);
    }) ||
    reading.take(words(`(?:from|starting(?:\\s+on)?|on|since)\\s+${DATE}`, DATE), (m) =>
      set(m.find((part, i) => i > 0 && /\d/.test(part))!),
    ) ||
    reading.take(words(`(?:from\\s+|on\\s+)?(?:(next)\\s+)?${DAY}`), ([, next, day]) => {
      parts.weekday = weekdayOfWord(day!);
      const ahead =
        (WEEKDAYS.indexOf(parts.weekday) - weekdayIndex(dayNumber(today, 'today')) + 7) % 7;
      parts.first = addDays(today, ahead === 0 && next ? 7 : ahead);
    })
  );
}
