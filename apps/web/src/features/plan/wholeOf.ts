/** A number as it was typed; no number where nothing was. */
export const wholeOf = (typed: string): number =>
  typed.trim() === '' ? Number.NaN : Number(typed);
