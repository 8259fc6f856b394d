import { useState } from 'react';
import { dateInWords } from '@glen/core/light';
import { OneDay } from './OneDay.js';
import { CardPart } from './SentencePart.js';

interface DatePartProps {
  label: string;
  date: string;
  onPick: (date: string) => void;
  invalid?: boolean;
}

/** A date in a sentence, picked from a month. */
export function DatePart({ label, date, onPick, invalid = false }: DatePartProps) {
  const [open, setOpen] = useState(false);
  const words = dateInWords(date, 'with-year');
  return (
    <CardPart
      label={`${label}: ${words}`}
      shown={words}
      open={open}
      onOpenChange={setOpen}
      invalid={invalid}
    >
      <OneDay
        date={date}
        onPick={(day) => {
          onPick(day);
          setOpen(false);
        }}
      />
    </CardPart>
  );
}
