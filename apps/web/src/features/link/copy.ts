import { copyText, copying } from '../../app/copyText.js';
import { many } from '../../ui/fill.js';
import * as say from './words.js';

export const copyAddress = (address: string, done = say.linkCopied): Promise<void> =>
  copyText(address, done);

/** Puts words whose link is in them on the clipboard, for places that take rich text and those that take plain. */
export const copyWords = (
  html: string,
  text: string,
  done = say.wordsWithTheLinkCopied,
): Promise<void> =>
  copying(
    () =>
      navigator.clipboard.write([
        new ClipboardItem({
          'text/html': new Blob([html], { type: 'text/html' }),
          'text/plain': new Blob([text], { type: 'text/plain' }),
        }),
      ]),
    done,
  );

const escaped = (text: string): string => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** Several links, a line each: as words with the link in them, and in plain text with the address written out. */
export const copyLines = (lines: { words: string; address: string }[]): Promise<void> =>
  copyWords(
    `<ul>${lines.map((l) => `<li><a href="${escaped(l.address)}" target="_blank" rel="noopener">${escaped(l.words)}</a></li>`).join('')}</ul>`,
    lines.map((l) => `${l.words}: ${l.address}`).join('\n'),
    many(say.linksCopied, lines.length),
  );
