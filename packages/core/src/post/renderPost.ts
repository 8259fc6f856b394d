import { checkAddress, renderBlocks, tidy, type Block, type Medium } from './blocks.js';
import { mapSpans, plainToRich, richToPlain, type RichText, type Span } from './richText.js';

/** A post as its teacher wrote it: words with fields such as `{title}`, plain or rich, and the words that bear the link. */
export interface PostText {
  words: string | RichText;
  linkWords: string;
}

/** What the fields stand for. `address` is the join link's full address; `bring` what to bring. */
export interface PostValues {
  address: string;
  class?: string;
  title?: string;
  date?: string;
  time?: string;
  period?: string;
  host?: string;
  bring?: string;
  entryCode?: string;
}

export const POST_FIELDS = [
  'class',
  'title',
  'date',
  'time',
  'period',
  'host',
  'bring',
  'entryCode',
] as const;

const FIELD = /\{([A-Za-z]+)\}/g;

/** Fills `{field}`s in; one without a value, or that is no field, stays as typed so that it is noticed. */
export function fillFields(text: string, values: PostValues): string {
  const known = new Map<string, string | undefined>(
    POST_FIELDS.map((field) => [field, values[field]]),
  );
  return text.replace(FIELD, (whole, field: string) => known.get(field) ?? whole);
}

/** The same on one line, for headings and titles. */
export const fillLine = (text: string, values: PostValues): string =>
  tidy(fillFields(text, values)).replace(/\s+/g, ' ');

export const richOf = (words: string | RichText): RichText =>
  typeof words === 'string' ? plainToRich(words) : words;

/** Whether a post's words or link words give the entry code. */
export const givesCode = (post: PostText): boolean =>
  `${richToPlain(richOf(post.words))} ${post.linkWords}`.includes('{entryCode}');

const LINK = '{link}';
/** The field `{link}` in the midst of words becomes the link; everywhere else stays as it is. */
const placeLink = (span: Span, linkWords: string, address: string): Span[] =>
  span.text
    .split(LINK)
    .flatMap((text, i) => [
      ...(i === 0 ? [] : [{ ...span, text: linkWords || address, href: address }]),
      ...(text === '' ? [] : [{ ...span, text }]),
    ]);

/**
 * A post in one medium: its words, then the link (but with `linkAtEnd` false, where the words stand beside a link already);
 * where the words hold the field `{link}` there instead. Blank link words fall back to the address itself.
 * Throws GlenInputError at `values.address`.
 */
export function renderPost(
  post: PostText,
  values: PostValues,
  medium: Medium,
  { linkAtEnd = true }: { linkAtEnd?: boolean } = {},
): string {
  const address = checkAddress(values.address);
  const rich = richOf(post.words);
  const linkWords = fillLine(post.linkWords, values);
  const inText = richToPlain(rich).includes(LINK);
  // The link is put in before fields are filled, so that what a field holds is never taken for one.
  const filled = mapSpans(rich, (span) =>
    placeLink(span, linkWords, address).map((s) =>
      s.href === address && s.text === (linkWords || address)
        ? s
        : { ...s, text: fillFields(s.text, values) },
    ),
  );
  const blocks: Block[] = [
    ...filled,
    ...(inText || !linkAtEnd ? [] : [{ kind: 'link' as const, words: linkWords }]),
  ];
  return renderBlocks(blocks, address, medium);
}
