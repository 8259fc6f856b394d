import { readLinkCode } from './linkCode.js';

/** The codes of all doors at `publicUrl` to which a text leads, each once, in the form in which they are kept. Text may be markup: an address is found wherever it stands. */
export function doorCodesIn(text: string, publicUrl: string): string[] {
  const start = `${publicUrl}/door/`;
  const codes = text
    .split(start)
    .slice(1)
    .map((rest) => readLinkCode(/^[A-Za-z0-9-]*/.exec(rest)![0]));
  return [...new Set(codes.filter((code): code is string => code !== null))];
}
