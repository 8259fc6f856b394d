import { checkAddress, renderBlocks, type Block, type Medium } from './blocks.js';
import { fillLine, fillPieces, type Piece, type PostValues } from './fields.js';
import { mapLines, plainToRich, richToPlain, type RichText, type Span } from './richText.js';

/** A post as its teacher wrote it: words with fields such as `{title}`, plain or rich, and the words that bear the link. */
export interface PostText {
  words: string | RichText;
  linkWords: string;
}

export const richOf = (words: string | RichText): RichText =>
  typeof words === 'string' ? plainToRich(words) : words;

const readable = (post: PostText): string => `${richToPlain(richOf(post.words))} ${post.linkWords}`;

/** Whether a post's words or link words give the entry code. */
export const givesCode = (post: PostText): boolean => readable(post).includes('{entryCode}');

/** As the door compares codes: case and spaces do not count. */
const plainly = (text: string): string => text.toLowerCase().replace(/\s+/g, '');

/** Codes that are shorter stand in many a word by chance. */
const SHORTEST_TYPED = 4;

/** Whether somebody has typed the code itself into a post, which no longer changes with it. */
export const typesCode = (post: PostText, code: string): boolean =>
  plainly(code).length >= SHORTEST_TYPED && plainly(readable(post)).includes(plainly(code));

const LINK = '{link}';
/** The field `{link}` in the midst of words becomes the link; everywhere else stays as it is. */
const placeLink = (span: Span, linkWords: string, address: string): Piece[] =>
  span.text
    .split(LINK)
    .flatMap((text, i) => [
      ...(i === 0
        ? []
        : [{ span: { ...span, text: linkWords || address, href: address }, isSaid: true }]),
      ...(text === '' ? [] : [{ span: { ...span, text }, isSaid: false }]),
    ]);

const paragraphOf = (text: string): Block => ({ kind: 'paragraph', spans: [{ text }] });

/** A notice alone, in one medium: what stands where a link stood. */
export const renderNotice = (notice: string, address: string, medium: Medium): string =>
  renderBlocks([paragraphOf(notice)], address, medium);

/** What stands around a post's own words. */
interface PostFrame {
  linkAtEnd?: boolean;
  notice?: string | null;
  below?: RichText;
}

/**
 * A post in one medium: its words, then the link (but with `linkAtEnd` false, where the words stand beside a link already);
 * where the words hold the field `{link}` there instead. Blank link words fall back to the address itself. `notice` is said
 * before it all, as it is; `below` after it all, with nothing filled in.
 * Throws GlenInputError at `values.address`.
 */
export function renderPost(
  post: PostText,
  values: PostValues,
  medium: Medium,
  { linkAtEnd = true, notice, below = [] }: PostFrame = {},
): string {
  const address = checkAddress(values.address);
  const rich = richOf(post.words);
  const linkWords = fillLine(post.linkWords, values);
  const inText = richToPlain(rich).includes(LINK);
  // The link is put in before fields are filled, so that what a field holds is never taken for one.
  const filled = mapLines(rich, (spans) =>
    fillPieces(
      spans.flatMap((span) => placeLink(span, linkWords, address)),
      values,
    ),
  );
  const blocks: Block[] = [
    ...(notice ? [paragraphOf(notice)] : []),
    ...filled,
    ...(inText || !linkAtEnd ? [] : [{ kind: 'link' as const, words: linkWords }]),
    ...below,
  ];
  return renderBlocks(blocks, address, medium);
}
