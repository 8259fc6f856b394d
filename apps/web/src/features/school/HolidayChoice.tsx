import { useState } from 'react';
import { dateInWords } from '@glen/core';
import type { Answer } from '@glen/contract';
import { Button } from '../../ui/Button.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

export type Holiday = Answer<'holidays'>['holidays'][number];

interface HolidayRowProps {
  holiday: Holiday;
  isChosen: boolean;
  onChoose: (isChosen: boolean) => void;
}

const HolidayRow = ({ holiday, isChosen, onChoose }: HolidayRowProps) => (
  <li>
    <label className="flex items-baseline gap-2 py-0.5 text-md">
      <input
        type="checkbox"
        className="accent-bracken"
        checked={isChosen}
        onChange={(e) => onChoose(e.target.checked)}
      />
      <span>
        {holiday.name}, {dateInWords(holiday.date, 'with-year')}
      </span>
    </label>
  </li>
);

interface HolidayChoiceProps {
  holidays: Holiday[];
  onAdd: (chosen: Holiday[]) => void;
}

/** Public holidays to be taken over; all are chosen until some are left out. */
export function HolidayChoice({ holidays, onAdd }: HolidayChoiceProps) {
  const [left, setLeft] = useState<string[]>([]);
  const chosen = holidays.filter((h) => !left.includes(h.date));
  const choose = (date: string, isChosen: boolean): void =>
    setLeft(isChosen ? left.filter((d) => d !== date) : [...left, date]);
  return (
    <>
      <ul>
        {holidays.map((holiday) => (
          <HolidayRow
            key={holiday.date}
            holiday={holiday}
            isChosen={!left.includes(holiday.date)}
            onChoose={(isChosen) => choose(holiday.date, isChosen)}
          />
        ))}
      </ul>
      {holidays.length > 0 && (
        <Button kind="strong" disabled={chosen.length === 0} onClick={() => onAdd(chosen)}>
          {fill(say.addChosenCount, { chosenCount: chosen.length })}
        </Button>
      )}
    </>
  );
}
