import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { RichText, Span } from '@glen/core';
import { editorDoc, richOfDoc } from '../src/features/post/richDoc.js';

describe('rich text and the editor’s document', () => {
  it('are each other’s likeness', () => {
    const rich: RichText = [
      {
        kind: 'paragraph',
        spans: [
          { text: 'Bring ' },
          { text: 'dividers', bold: true },
          { text: ', see ' },
          { text: 'here', href: 'https://merrow.example/' },
        ],
      },
      {
        kind: 'list',
        ordered: true,
        items: [[{ text: 'Plot' }], [{ text: 'Check', italic: true }]],
      },
    ];
    expect(richOfDoc(editorDoc(rich))).toEqual(rich);
  });
  it('keep lines within a paragraph', () => {
    expect(richOfDoc(editorDoc([{ kind: 'paragraph', spans: [{ text: 'one\ntwo' }] }]))).toEqual([
      { kind: 'paragraph', spans: [{ text: 'one\ntwo' }] },
    ]);
  });
  it('make one list of lists within lists, and nothing of an empty document', () => {
    const item = (text: string, inner: object[] = []): object => ({
      type: 'listItem',
      content: [{ type: 'paragraph', content: [{ type: 'text', text }] }, ...inner],
    });
    expect(
      richOfDoc({
        type: 'doc',
        content: [
          {
            type: 'bulletList',
            content: [item('a', [{ type: 'bulletList', content: [item('b')] }])],
          },
        ],
      }),
    ).toEqual([{ kind: 'list', ordered: false, items: [[{ text: 'a' }], [{ text: 'b' }]] }]);
    expect(richOfDoc(editorDoc([]))).toEqual([]);
  });
  it('lose no character of whatever was typed', () => {
    const span: fc.Arbitrary<Span> = fc
      .record({
        text: fc.stringMatching(/^[a-c {}<>&]{1,8}$/),
        bold: fc.constantFrom(true, undefined),
        href: fc.constantFrom('https://x.example/', undefined),
      })
      .map(({ text, bold, href }) => ({
        text,
        ...(bold ? { bold } : {}),
        ...(href ? { href } : {}),
      }));
    fc.assert(
      fc.property(fc.array(fc.array(span, { minLength: 1 }), { minLength: 1 }), (paragraphs) => {
        const rich: RichText = paragraphs.map((spans) => ({ kind: 'paragraph', spans }));
        const text = (r: RichText): string =>
          r
            .map((b) => (b.kind === 'paragraph' ? b.spans.map((s) => s.text).join('') : ''))
            .join('\n');
        expect(text(richOfDoc(editorDoc(rich)))).toBe(text(rich));
      }),
    );
  });
});
