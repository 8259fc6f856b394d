const keyOf = (name: string): string => `glen-door-${name}`;

/** What was typed at a door is kept in this tab: a reload, or a phone that dropped the page, loses nothing. */
export const keptHere = (name: string): string => sessionStorage.getItem(keyOf(name)) ?? '';

export const keepHere = (name: string, value: string): void =>
  sessionStorage.setItem(keyOf(name), value);
