import { fail } from '../input.js';
import type { RichBlock, Span } from './richText.js';

export type Medium = 'html' | 'text' | 'markdown';

/** A piece of what is sent: written words, or the words that bear the link. */
export type Block = RichBlock | { kind: 'link'; words: string };

export const escapeHtml = (text: string): string =>
  text
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;')
    .replace(/'/g, '&#39;');

/**
 * What CommonMark (0.31, §2.4 and §6) reads as a mark wherever it stands: an underscore within a word is none. What ends a run
 * may be a mark together with what begins the next.
 */
const MARKS =
  /\\(?=[!-/:-@[-`{-~]|$)|[`*[\]~]|(?<![\p{L}\p{N}])_|_(?![\p{L}\p{N}])|<(?=[a-z/!?]|$)|&(?=#?\w*(?:;|$))/giu;
/** What begins a heading, a quotation, a list or a rule, at the beginning of a line alone (§4, §5). */
const AT_START = /^(\s*)(>|#(?=#{0,5}(?:\s|$))|[-+](?=[\s-]|$)|=)/u;
const NUMBERED = /^(\s*\d{1,9})([.)])(?=\s|$)/u;

/** A line as CommonMark reads it back: a backslash before what would be a mark, and nowhere else, for people read it too. */
export const escapeMarkdown = (line: string): string =>
  line.replace(MARKS, '\\$&').replace(AT_START, '$1\\$2').replace(NUMBERED, '$1\\$2');

const CONTROLS = /(?![\n\t])\p{Cc}|[\u202a-\u202e\u2066-\u2069]/gu;

/** Line ends made one kind; control and direction-changing characters, which can only mislead, dropped. */
const cleanText = (text: string): string => text.replace(/\r\n?/g, '\n').replace(CONTROLS, '');
export const tidy = (text: string): string => cleanText(text).trim();

const webAddress = (address: string): string | null => {
  try {
    const url = new URL(address);
    return url.protocol === 'https:' || url.protocol === 'http:' ? url.href : null;
  } catch {
    return null;
  }
};

export function checkAddress(address: string): string {
  if (!/^[a-z][a-z0-9+.-]*:/i.test(address) || !URL.canParse(address))
    fail('values.address', 'Give the full address of the link.');
  return webAddress(address) ?? fail('values.address', 'A link begins with https:// or http://.');
}

/** How each medium writes a run of characters, lines, paragraphs, lists and links. */
interface Writer {
  run: (text: string) => string;
  bold: (inner: string) => string;
  italic: (inner: string) => string;
  link: (words: string, href: string, plainWords: string) => string;
  lineBreak: string;
  /** `turned`: some of it is written from right to left. */
  paragraph: (inner: string, turned: boolean) => string;
  list: (items: string[], marks: { ordered: boolean; turned: boolean }) => string;
  between: string;
}

/** Hebrew, Arabic and their kin. */
const RIGHT_TO_LEFT = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufefc]/;
/** Each paragraph finds its own direction where that could be the other one. */
const directionOf = (turned: boolean): string => (turned ? ' dir="auto"' : '');

const target = (href: string): string =>
  href.replace(/[()<>\\]/g, (c) => encodeURIComponent(c).replace('(', '%28').replace(')', '%29'));
const same = (inner: string): string => inner;
/** Markdown's marks hold only where they touch a letter; blanks at the ends go outside. */
const marked =
  (mark: string) =>
  (inner: string): string =>
    inner.replace(/^(\s*)([\s\S]*?)(\s*)$/, (_, before: string, middle: string, after: string) =>
      middle === '' ? `${before}${after}` : `${before}${mark}${middle}${mark}${after}`,
    );

const WRITERS: Record<Medium, Writer> = {
  html: {
    run: escapeHtml,
    bold: (i) => `<strong>${i}</strong>`,
    italic: (i) => `<em>${i}</em>`,
    lineBreak: '<br>',
    link: (words, href) =>
      `<a href="${escapeHtml(href)}" target="_blank" rel="noopener noreferrer">${words}</a>`,
    paragraph: (i, turned) => `<p${directionOf(turned)}>${i}</p>`,
    list: (items, { ordered, turned }) => {
      const tag = ordered ? 'ol' : 'ul';
      return `<${tag}${directionOf(turned)}>${items.map((i) => `<li>${i}</li>`).join('')}</${tag}>`;
    },
    between: '\n',
  },
  markdown: {
    run: escapeMarkdown,
    bold: marked('**'),
    italic: marked('_'),
    lineBreak: '  \n',
    link: (words, href) => `[${words}](${target(href)})`,
    paragraph: same,
    list: (items, { ordered }) =>
      items.map((i, n) => `${ordered ? `${n + 1}.` : '-'} ${i}`).join('\n'),
    between: '\n\n',
  },
  text: {
    run: same,
    bold: same,
    italic: same,
    lineBreak: '\n',
    link: (words, href, plain) => (plain === href ? href : `${words} (${href})`),
    paragraph: same,
    list: (items, { ordered }) =>
      items.map((i, n) => `${ordered ? `${n + 1}.` : '-'} ${i}`).join('\n'),
    between: '\n\n',
  },
};

function spanIn({ text, bold, italic, href }: Span, w: Writer): string {
  const plain = cleanText(text);
  const lines = plain.split('\n').map(w.run).join(w.lineBreak);
  const slanted = italic ? w.italic(lines) : lines;
  const inner = bold ? w.bold(slanted) : slanted;
  const leads = href === undefined || plain.trim() === '' ? null : webAddress(href);
  return leads === null ? inner : w.link(inner, leads, plain);
}

const blank = (spans: Span[]): boolean => spans.every((s) => cleanText(s.text).trim() === '');
/** The ends of a paragraph bear no blanks. */
function trimmed(spans: Span[]): Span[] {
  const kept = spans.map((s) => ({ ...s, text: cleanText(s.text) }));
  while (kept.length > 0 && kept[0]!.text.trimStart() === '') kept.shift();
  while (kept.length > 0 && kept.at(-1)!.text.trimEnd() === '') kept.pop();
  if (kept.length > 0) {
    kept[0]!.text = kept[0]!.text.trimStart();
    kept.at(-1)!.text = kept.at(-1)!.text.trimEnd();
  }
  return kept;
}

function blockIn(block: Block, address: string, medium: Medium): string {
  const w = WRITERS[medium];
  const line = (spans: Span[]): string =>
    trimmed(spans)
      .map((s) => spanIn(s, w))
      .join('');
  if (block.kind === 'link') {
    const words = block.words === '' ? address : block.words;
    // On a line of its own an address is easier to tap and to type.
    if (medium === 'text') return words === address ? address : `${words}:\n${address}`;
    return w.paragraph(w.link(w.run(words), address, words), RIGHT_TO_LEFT.test(words));
  }
  const isTurned = (spans: Span[]): boolean => spans.some((s) => RIGHT_TO_LEFT.test(s.text));
  if (block.kind === 'paragraph') return w.paragraph(line(block.spans), isTurned(block.spans));
  return w.list(block.items.filter((i) => !blank(i)).map(line), {
    ordered: block.ordered,
    turned: block.items.some(isTurned),
  });
}

/**
 * Blocks in one medium. In `html` and `markdown` the link words are the link (html: opening in a new tab);
 * `text` spells addresses out. Whatever people typed stays text. Throws GlenInputError at `values.address`.
 */
export function renderBlocks(blocks: Block[], rawAddress: string, medium: Medium): string {
  const address = checkAddress(rawAddress);
  const said = blocks.filter(
    (b) =>
      b.kind === 'link' ||
      (b.kind === 'paragraph' ? !blank(b.spans) : b.items.some((i) => !blank(i))),
  );
  return said.map((b) => blockIn(b, address, medium)).join(WRITERS[medium].between);
}
