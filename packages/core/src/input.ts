/**
 * Thrown by every core function on wrong input, instead of a half-right answer.
 * `path` names the field at fault in dotted form (`repeat.until`), so that a form can show
 * the message beside it.
 */
export class GlenInputError extends Error {
  readonly path: string;
  constructor(path: string, message: string) {
    super(message);
    this.name = 'GlenInputError';
    this.path = path;
  }
}

export function fail(path: string, message: string): never {
  throw new GlenInputError(path, message);
}

/** A whole number from `least` to `most`, both included. */
export function checkWhole(value: unknown, least: number, most: number, path: string): number {
  if (typeof value !== 'number' || !Number.isInteger(value) || value < least || value > most) {
    fail(
      path,
      most === Infinity
        ? `Give a whole number from ${least}.`
        : `Give a whole number from ${least} to ${most}.`,
    );
  }
  return value;
}

export function checkOneOf<T extends string>(
  value: unknown,
  allowed: readonly T[],
  path: string,
): T {
  if (typeof value !== 'string' || !(allowed as readonly string[]).includes(value)) {
    fail(path, `Choose one of: ${allowed.join(', ')}.`);
  }
  return value as T;
}
