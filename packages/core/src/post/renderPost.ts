import { checkAddress, renderBlocks, tidy, type Medium } from './blocks.js';

/** A post as its teacher wrote it: words with fields such as `{title}`, and the words that bear the link. */
export interface PostText {
  words: string;
  linkWords: string;
}

/** What the fields stand for. `address` is the join link's full address. */
export interface PostValues {
  address: string;
  class?: string;
  title?: string;
  date?: string;
  time?: string;
  period?: string;
  host?: string;
  entryCode?: string;
}

export const POST_FIELDS = ['class', 'title', 'date', 'time', 'period', 'host', 'entryCode'] as const;

const FIELD = /\{([A-Za-z]+)\}/g;

/** Fills `{field}`s in; one without a value, or that is no field, stays as typed so that it is noticed. */
export function fillFields(text: string, values: PostValues): string {
  const known = new Map<string, string | undefined>(POST_FIELDS.map((field) => [field, values[field]]));
  return text.replace(FIELD, (whole, field: string) => known.get(field) ?? whole);
}

/** Whether a post's words or link words give the entry code. */
export const givesCode = (post: PostText): boolean => `${post.words} ${post.linkWords}`.includes('{entryCode}');

/**
 * A post in one medium: its words, then the link. Blank link words fall back to the address itself.
 */
export function renderPost(post: PostText, values: PostValues, medium: Medium): string {
  checkAddress(values.address);
  const paragraphs = tidy(fillFields(post.words, values)).split(/\n{2,}/).filter((p) => p !== '');
  const words = tidy(fillFields(post.linkWords, values)).replace(/\s+/g, ' ');
  return renderBlocks([...paragraphs.map((text) => ({ kind: 'paragraph' as const, text })), { kind: 'link', words }], values.address, medium);
}
