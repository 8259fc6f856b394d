import { api } from './api.js';
import { store } from './store.js';

/** What somebody has typed and not saved. */
interface HalfWritten<Values> {
  values: Values;
  /** The version of the thing that they changed. */
  version?: number | undefined;
  /** What else the form stood at, where it has more than its fields. */
  beside?: string | undefined;
}

const PREFIX = 'glen-half ';

/** Kept in this browser for the account in use alone. */
function keyOf(name: string): string {
  const { data } = api.endpoints.me.select()(store.getState());
  return `${PREFIX}${data?.account?.id ?? 0} ${name}`;
}

const fieldsOf = (values: object): string => Object.keys(values).sort().join();

/** What was half-written in a form; nothing where it was of another make, before an upgrade. */
export function halfWritten<Values extends object>(
  name: string,
  like: Values,
): HalfWritten<Values> | null {
  try {
    const half = JSON.parse(
      localStorage.getItem(keyOf(name)) ?? 'null',
    ) as HalfWritten<Values> | null;
    return half !== null && fieldsOf(half.values) === fieldsOf(like) ? half : null;
  } catch {
    return null;
  }
}

/** Keeps it over reloads and other pages, until it is saved or thrown away. */
export function keepHalf<Values>(name: string, half: HalfWritten<Values>): void {
  try {
    localStorage.setItem(keyOf(name), JSON.stringify(half));
  } catch {
    // A browser that is full, or keeps nothing, forgets it as before.
  }
}

export const dropHalf = (name: string): void => localStorage.removeItem(keyOf(name));

/** Whoever signs out leaves nothing of it to the next at this browser. */
export function dropAllHalves(): void {
  for (const key of Object.keys(localStorage))
    if (key.startsWith(PREFIX)) localStorage.removeItem(key);
}
