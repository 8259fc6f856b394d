/** So many rows go into one statement. */
const AT_ONCE = 500;

/** Rows in parts of which each fits into one statement. */
export function* inParts<T>(rows: T[]): Generator<T[]> {
  for (let from = 0; from < rows.length; from += AT_ONCE) yield rows.slice(from, from + AT_ONCE);
}
