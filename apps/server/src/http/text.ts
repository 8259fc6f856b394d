import { isUtf8 } from 'node:buffer';
import type { NextFunction, Request, Response } from 'express';
import { HttpProblem } from './problem.js';

/** Half a surrogate pair, or NUL: no database keeps them as they came. */
const NO_TEXT = /[\p{Cs}\0]/u;

const brokenText = (): HttpProblem =>
  new HttpProblem(400, 'This request holds characters that are no text.');

/** Looked through without recursion: whoever asks chooses how deep it is. */
function holdsNoText(value: unknown): boolean {
  const left = [value];
  while (left.length > 0) {
    const next = left.pop();
    if (typeof next === 'string' && NO_TEXT.test(next)) return true;
    if (typeof next === 'object' && next !== null)
      for (const [name, part] of Object.entries(next)) left.push(name, part);
  }
  return false;
}

/** Throws 400 where anything that was sent, or a name that it was sent under, holds what is no text. */
export function refuseBrokenText(parts: unknown[]): void {
  if (parts.some(holdsNoText)) throw brokenText();
}

/** Throws 400 unless a body is UTF-8, as JSON between systems is (RFC 8259, 8.1). */
export function mustBeUtf8(body: Buffer): void {
  if (!isUtf8(body)) throw brokenText();
}

/** Whether an address's escapes are UTF-8 (RFC 3986, 2.5) and hold text. */
function isReadable(url: string): boolean {
  if (!url.includes('%')) return true;
  try {
    return !NO_TEXT.test(decodeURIComponent(url));
  } catch {
    return false;
  }
}

/** Throws 400 for an address that cannot be read. */
export function mustBeReadable({ url }: Pick<Request, 'url'>): void {
  if (!isReadable(url)) throw brokenText();
}

/** The same before pages are looked for. */
export function refuseBrokenAddress(req: Request, _res: Response, next: NextFunction): void {
  mustBeReadable(req);
  next();
}
