import { createHash } from 'node:crypto';
import { foldedName } from '@glen/core';

/** A visitor, as far as they are to be known again. */
interface Known {
  personId: number | null;
  /** What their browser is known by, as it is kept. */
  browser: string | null;
  network: string;
  name: string;
}

const personKey = (personId: number): string => `person:${personId}`;
export const browserKey = (browser: string): string => `browser:${browser}`;

/** By name and network: of two in one household who are called alike, one is kept out with the other. */
export const nameKey = ({ network, name }: Pick<Known, 'network' | 'name'>): string =>
  `name:${createHash('sha256')
    .update(`${network} ${foldedName(name)}`)
    .digest('base64url')}`;

/**
 * What a visitor is kept out by: as a person whatever account they use, and without one by the browser, or by the same
 * name from the same network. Somebody with an account is kept out of their own browser without it, too.
 */
export function keysOf(visitor: Known): string[] {
  const browser = visitor.browser === null ? [] : [browserKey(visitor.browser)];
  if (visitor.personId !== null) return [personKey(visitor.personId), ...browser];
  return [...browser, nameKey(visitor)];
}
