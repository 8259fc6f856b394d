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

/**
 * A field that is typed into in one form and kept in another. What is typed stands as it is until the field is left or
 * Enter is pressed; what cannot be read stays, and counts as nothing.
 */
export function useTyped({ value, onChange, shown, read, isWhole }: Typed) {
  const [typed, setTyped] = useState<string | null>(null);
  const settle = (): void => {
    if (typed === null) return;
    const found = read(typed);
    if (found !== undefined || typed.trim() === '') setTyped(null);
    if ((found ?? '') !== value) onChange(found ?? '');
  };
  return {
    /** What stands there is neither empty nor to be read, and nobody is typing any more. */
    isUnread: typed !== null && value === '' && typed.trim() !== '' && read(typed) === undefined,
    /** Takes a value from elsewhere: a list, a month. */
    take: (picked: string) => {
      setTyped(null);
      onChange(picked);
    },
    props: {
      value: typed ?? (value === '' ? '' : shown(value)),
      onChange: (event: ChangeEvent<HTMLInputElement>) => {
        const now = event.target.value;
        setTyped(now);
        const found = read(now);
        if (found !== undefined && found !== value && isWhole(now.trim())) onChange(found);
      },
      onBlur: settle,
      onKeyDown: (event: KeyboardEvent) => {
        if (event.key === 'Enter') settle();
      },
    },
  };
}
