import { useState } from 'react';

/** What is typed at a door, kept in this tab: a reload, or a phone that dropped the page, loses nothing. */
export function useKept(name: string): [string, (value: string) => void] {
  const key = `glen-door-${name}`;
  const [value, setValue] = useState(() => sessionStorage.getItem(key) ?? '');
  return [
    value,
    (next) => {
      sessionStorage.setItem(key, next);
      setValue(next);
    },
  ];
}
