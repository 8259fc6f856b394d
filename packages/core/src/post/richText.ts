/** A run of characters that look alike. `href`: they lead somewhere, to http or https only. */
export interface Span {
  text: string;
  bold?: boolean;
  italic?: boolean;
  href?: string;
}

/** What can be written: paragraphs and lists. Plain data, so that nothing in it can be markup. */
export type RichBlock =
  { kind: 'paragraph'; spans: Span[] } | { kind: 'list'; ordered: boolean; items: Span[][] };
export type RichText = RichBlock[];

/** Plain text as rich text: empty lines part paragraphs. */
export const plainToRich = (text: string): RichText =>
  text
    .replace(/\r\n?/g, '\n')
    .split(/\n{2,}/)
    .filter((p) => p.trim() !== '')
    .map((p) => ({ kind: 'paragraph', spans: [{ text: p }] }));

const spansOf = (block: RichBlock): Span[][] =>
  block.kind === 'paragraph' ? [block.spans] : block.items;

/** The characters alone, a line for each paragraph or item. */
export const richToPlain = (rich: RichText): string =>
  rich
    .flatMap(spansOf)
    .map((spans) => spans.map((s) => s.text).join(''))
    .join('\n');

/** Does something to every paragraph and every item of a list. */
export const mapLines = (rich: RichText, change: (spans: Span[]) => Span[]): RichText =>
  rich.map((block) =>
    block.kind === 'paragraph'
      ? { ...block, spans: change(block.spans) }
      : { ...block, items: block.items.map(change) },
  );
