import { useState, type ChangeEvent, type KeyboardEvent } from 'react';

interface Typed {
  /** What the form has: as it is kept, or empty while it cannot be read. */
  value: string;
  onChange: (value: string) => void;
  shown: (value: string) => string;
  read: (typed: string) => string | undefined;
  /** Whether what is typed can grow no further, so that it counts at once. */
  isWhole: (typed: string) => boolean;
}

/** What stands in the field, and what the form had from it: with another value than that it is over. */
interface Standing {
  text: string;
  value: string;
}

/**
 * A field that is typed into in one form and kept in another. What is typed stands as it is until the field is left or
 * Enter is pressed; what cannot be read stays, and counts as nothing, until the form has another value.
 */
export function useTyped({ value, onChange, shown, read, isWhole }: Typed) {
  const [standing, setStanding] = useState<Standing | null>(null);
  const typed = standing?.value === value ? standing.text : null;
  const tell = (found: string): void => {
    if (found !== value) onChange(found);
  };
  const settle = (): void => {
    if (typed === null) return;
    const found = read(typed) ?? '';
    const isDone = found !== '' || typed.trim() === '';
    setStanding(isDone ? null : { text: typed, value: '' });
    tell(found);
  };
  return {
    /** What stands there is neither empty nor to be read, and nobody is typing any more. */
    isUnread: typed !== null && value === '' && typed.trim() !== '' && read(typed) === undefined,
    /** Takes a value from elsewhere: a list, a month. */
    take: (picked: string) => {
      setStanding(null);
      onChange(picked);
    },
    props: {
      value: typed ?? (value === '' ? '' : shown(value)),
      onChange: (event: ChangeEvent<HTMLInputElement>) => {
        const text = event.target.value;
        const found = read(text);
        const counts = found !== undefined && isWhole(text.trim());
        setStanding({ text, value: counts ? found : value });
        if (counts) tell(found);
      },
      onBlur: settle,
      onKeyDown: (event: KeyboardEvent) => {
        if (event.key === 'Enter') settle();
      },
    },
  };
}
