import type { JSONContent } from '@tiptap/react';
import type { RichBlock, RichText, Span } from '@glen/core';

// Between the editor's document and rich text as Glen keeps it. Lists within lists come out as one list.

const marksOf = ({ bold, italic, href }: Span): NonNullable<JSONContent['marks']> => [
  ...(bold ? [{ type: 'bold' }] : []),
  ...(italic ? [{ type: 'italic' }] : []),
  ...(href === undefined ? [] : [{ type: 'link', attrs: { href } }]),
];

/** A span's lines, with breaks between them. */
const inlineOf = (span: Span): JSONContent[] =>
  span.text
    .split('\n')
    .flatMap((line, i) => [
      ...(i === 0 ? [] : [{ type: 'hardBreak' }]),
      ...(line === '' ? [] : [{ type: 'text', text: line, marks: marksOf(span) }]),
    ]);
const paragraphOf = (spans: Span[]): JSONContent => ({
  type: 'paragraph',
  content: spans.flatMap(inlineOf),
});

export const editorDoc = (rich: RichText): JSONContent => ({
  type: 'doc',
  content:
    rich.length === 0
      ? [{ type: 'paragraph' }]
      : rich.map((block) =>
          block.kind === 'paragraph'
            ? paragraphOf(block.spans)
            : {
                type: block.ordered ? 'orderedList' : 'bulletList',
                content: block.items.map((spans) => ({
                  type: 'listItem',
                  content: [paragraphOf(spans)],
                })),
              },
        ),
});

function spanOf(node: JSONContent): Span {
  if (node.type === 'hardBreak') return { text: '\n' };
  const marks = node.marks ?? [];
  const href: unknown = marks.find((m) => m.type === 'link')?.attrs?.href;
  return {
    text: node.text ?? '',
    ...(marks.some((m) => m.type === 'bold') ? { bold: true } : {}),
    ...(marks.some((m) => m.type === 'italic') ? { italic: true } : {}),
    ...(typeof href === 'string' ? { href } : {}),
  };
}

const alike = (a: Span, b: Span): boolean =>
  a.bold === b.bold && a.italic === b.italic && a.href === b.href;
/** Neighbours that look alike become one; a break takes the looks of what it follows. */
function joined(spans: Span[]): Span[] {
  const out: Span[] = [];
  for (const span of spans) {
    const last = out.at(-1);
    if (last && (span.text === '\n' || alike(last, span)))
      out[out.length - 1] = { ...last, text: last.text + span.text };
    else out.push(span);
  }
  return out;
}

const itemsOf = (list: JSONContent): Span[][] =>
  (list.content ?? []).flatMap((item) => {
    const inner = item.content ?? [];
    return [
      joined(
        inner.filter((n) => n.type === 'paragraph').flatMap((p) => (p.content ?? []).map(spanOf)),
      ),
      ...inner.filter((n) => n.type !== 'paragraph').flatMap(itemsOf),
    ];
  });

export const richOfDoc = (doc: JSONContent): RichText =>
  (doc.content ?? [])
    .map((node): RichBlock =>
      node.type === 'bulletList' || node.type === 'orderedList'
        ? { kind: 'list', ordered: node.type === 'orderedList', items: itemsOf(node) }
        : { kind: 'paragraph', spans: joined((node.content ?? []).map(spanOf)) },
    )
    .filter((block, _i, all) => all.length > 1 || block.kind === 'list' || block.spans.length > 0);
