import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { kindsIn, readAsMarkdown, strangeIn } from './commonmark.js';
import {
  GlenInputError,
  LINK_CODE_BYTES,
  LINK_WORDS,
  doorPath,
  fillFields,
  makeLinkCode,
  readLinkCode,
  renderPost,
  type RichText,
} from '../src/index.js';
import { utcOf, readLinkCode as lightReadLinkCode } from '../src/light.js';

const bytes = fc.uint8Array({ minLength: LINK_CODE_BYTES, maxLength: LINK_CODE_BYTES });

/** Edit distance, written apart, for look-alikes. */
function distance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++)
      next[j] = Math.min(
        row[j]! + 1,
        next[j - 1]! + 1,
        row[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1),
      );
    row = next;
  }
  return row[b.length]!;
}

describe('link codes', () => {
  it('are a word and 11 characters of Crockford base 32', () => {
    expect(makeLinkCode(new Uint8Array(8))).toBe('heron-00000000000');
    expect(makeLinkCode(new Uint8Array(8).fill(255))).toMatch(/^mizzen-zzzzzzzzzzz$/);
    fc.assert(
      fc.property(bytes, (b) => {
        expect(makeLinkCode(b)).toMatch(/^[a-z]+-[0-9a-hjkmnp-tv-z]{11}$/);
      }),
    );
  });
  it('carry 63 bits: all of the first byte, all but one bit of the rest', () => {
    fc.assert(
      fc.property(bytes, fc.integer({ min: 0, max: 63 }), (b, bit) => {
        const other = Uint8Array.from(b);
        other[Math.floor(bit / 8)]! ^= 128 >> (bit % 8);
        expect(makeLinkCode(other) === makeLinkCode(b)).toBe(bit === 8);
      }),
    );
  });
  it('read back case-blind, with or without hyphen or spaces, with letters for digits', () => {
    expect(readLinkCode('HERON 7K3M 9QVD 2XT')).toBe('heron-7k3m9qvd2xt');
    expect(readLinkCode('her0n7k3m9qvd2xt')).toBe('heron-7k3m9qvd2xt');
    expect(readLinkCode('heron-OIlOIlOIlOI')).toBe('heron-01101101101');
    fc.assert(
      fc.property(bytes, (b) => {
        const code = makeLinkCode(b);
        for (const form of [
          code,
          code.toUpperCase(),
          code.replace('-', ''),
          code.replace('-', ' '),
          ` ${code.replace(/0/g, 'O').replace(/1/g, 'l')} `,
        ])
          expect(readLinkCode(form)).toBe(code);
      }),
    );
  });
  it('are null for what can be no code', () => {
    for (const text of [
      '',
      'heron',
      'heron-7k3m9qvd2x',
      'heron-7k3m9qvd2xtt',
      'zebra-7k3m9qvd2xt',
      'heron-7k3m9qvd2xu',
      'heron-7k3m9qvd2x!',
    ])
      expect(readLinkCode(text)).toBeNull();
  });
  it('have 256 words, none a look-alike of another', () => {
    const fold = (w: string): string => w.replace(/o/g, '0').replace(/[il]/g, '1');
    expect(new Set(LINK_WORDS).size).toBe(256);
    expect(LINK_WORDS.every((w) => /^[a-z]{3,10}$/.test(w))).toBe(true);
    for (let i = 0; i < 256; i++)
      for (let j = i + 1; j < 256; j++)
        if (distance(fold(LINK_WORDS[i]!), fold(LINK_WORDS[j]!)) < 2)
          throw new Error(`${LINK_WORDS[i]} ~ ${LINK_WORDS[j]}`);
  });
  it('want exactly their bytes', () => {
    expect(() => makeLinkCode(new Uint8Array(7))).toThrow(GlenInputError);
  });
  it('stand in an address, and are read the same in the light part', () => {
    expect(doorPath('heron-7k3m9qvd2xt')).toBe('/door/heron-7k3m9qvd2xt');
    expect(lightReadLinkCode).toBe(readLinkCode);
    expect(utcOf(0)).toBe('1970-01-01T00:00:00Z');
  });
});

const values = {
  address: 'https://glen.merrow.example/door/heron-7k3m9qvd2xt',
  class: 'Coastal Navigation',
  title: 'Tidal streams',
  time: '10:45',
  period: '3',
};

describe('renderPost', () => {
  it('makes the words the link, in a new tab', () => {
    expect(
      renderPost(
        { words: 'Bring dividers.\n\nAnd a pencil.', linkWords: 'Join {title}, {time}' },
        values,
        'html',
      ),
    ).toBe(
      '<p>Bring dividers.</p>\n<p>And a pencil.</p>\n<p><a href="https://glen.merrow.example/door/heron-7k3m9qvd2xt" target="_blank" rel="noopener noreferrer">Join Tidal streams, 10:45</a></p>',
    );
  });
  it('spells the address out in text', () => {
    expect(renderPost({ words: '', linkWords: 'Join' }, values, 'text')).toBe(
      'Join:\nhttps://glen.merrow.example/door/heron-7k3m9qvd2xt',
    );
    expect(renderPost({ words: 'Hello', linkWords: ' ' }, values, 'text')).toBe(
      'Hello\n\nhttps://glen.merrow.example/door/heron-7k3m9qvd2xt',
    );
  });
  it('escapes in Markdown what would be a mark, and nothing else', () => {
    const plain = (text: string): string =>
      renderPost({ words: text, linkWords: 'Join' }, values, 'markdown').split('\n\n')[0]!;
    for (const text of [
      'Bring dividers, a pencil (2B) and rope – 3.5 m. See you!',
      'Mail o.marsh@merrow.example; file tide_table_2026.pdf, 5 < 6 & 7',
      'C# and 10:45+5 = 10:50',
    ])
      expect(plain(text)).toBe(text);
    expect(plain('1. not a list')).toBe('1\\. not a list');
    expect(plain('# 3 *stars* <b>')).toBe('\\# 3 \\*stars\\* \\<b>');
    expect(plain('- a\n+ b\n=====\n> c')).toBe('\\- a  \n\\+ b  \n\\=====  \n\\> c');
  });
  it('is read back by CommonMark’s reference parser as it was typed, whatever that was', () => {
    const marks = fc.string({
      unit: fc.constantFrom(...'\\`*_{}[]()#+-.!<>|~&=1 \n', 'a', 'amp;', '  \n', '---', 'é'),
      maxLength: 24,
    });
    fc.assert(
      fc.property(marks, (text) => {
        const markdown = renderPost({ words: text, linkWords: 'Join' }, values, 'markdown');
        expect(kindsIn(markdown).sort()).toEqual(
          expect.not.arrayContaining(['emph', 'strong', 'list', 'html_inline', 'code', 'heading']),
        );
        const words = (some: string): string => some.replace(/\s+/g, ' ').trim();
        expect(words(readAsMarkdown(markdown))).toBe(words(`${text} Join`));
      }),
      { numRuns: 2000 },
    );
  });
  it('lets a paragraph that is written from right to left find its direction', () => {
    const html = renderPost({ words: 'שלום 10:45\n\nHello', linkWords: 'Join' }, values, 'html');
    expect(html).toContain('<p dir="auto">שלום 10:45</p>\n<p>Hello</p>');
  });
  it('escapes Markdown as CommonMark does', () => {
    expect(renderPost({ words: '*not* [bold](x)', linkWords: 'a]b' }, values, 'markdown')).toBe(
      '\\*not\\* \\[bold\\](x)\n\n[a\\]b](https://glen.merrow.example/door/heron-7k3m9qvd2xt)',
    );
  });
  it('leaves what is no field as typed', () => {
    expect(fillFields('{class} {host} {nothing}', values)).toBe('Coastal Navigation {nothing}');
  });
  it('writes bold, lists and links in each medium', () => {
    const words: RichText = [
      {
        kind: 'paragraph',
        spans: [
          { text: 'Bring ' },
          { text: 'dividers ', bold: true },
          { text: 'and see ' },
          { text: 'the table', href: 'https://merrow.example/tides' },
        ],
      },
      {
        kind: 'list',
        ordered: true,
        items: [[{ text: 'Plot' }], [{ text: 'Check', italic: true }]],
      },
    ];
    const to = (medium: 'html' | 'text' | 'markdown'): string =>
      renderPost({ words, linkWords: 'Join' }, values, medium);
    expect(to('html')).toContain(
      '<p>Bring <strong>dividers </strong>and see <a href="https://merrow.example/tides" target="_blank" rel="noopener noreferrer">the table</a></p>\n<ol><li>Plot</li><li><em>Check</em></li></ol>',
    );
    expect(to('markdown')).toContain(
      'Bring **dividers** and see [the table](https://merrow.example/tides)\n\n1. Plot\n2. _Check_',
    );
    expect(to('text')).toBe(
      'Bring dividers and see the table (https://merrow.example/tides)\n\n1. Plot\n2. Check\n\nJoin:\nhttps://glen.merrow.example/door/heron-7k3m9qvd2xt',
    );
  });
  it('puts the link where the words hold its field, and then not at the end', () => {
    expect(
      renderPost(
        { words: 'At {time} use {link}, please.', linkWords: 'this door' },
        values,
        'text',
      ),
    ).toBe('At 10:45 use this door (https://glen.merrow.example/door/heron-7k3m9qvd2xt), please.');
    expect(
      renderPost(
        { words: 'Now {title}', linkWords: 'Join' },
        { ...values, title: '{link}' },
        'text',
      ),
    ).toBe('Now {link}\n\nJoin:\nhttps://glen.merrow.example/door/heron-7k3m9qvd2xt');
  });
  it('takes a link of the words to web addresses only', () => {
    for (const href of ['javascript:alert(1)', 'data:text/html,x', 'nonsense'])
      expect(
        renderPost(
          { words: [{ kind: 'paragraph', spans: [{ text: 'here', href }] }], linkWords: 'x' },
          values,
          'html',
        ),
      ).toMatch(/^<p>here<\/p>/);
  });
  const nastyText = fc.string({
    unit: fc.constantFrom(
      '<',
      '>',
      '"',
      "'",
      '&',
      '{title}',
      '{link}',
      'script',
      'a',
      ' ',
      '\n',
      '\u202e',
      '](',
      '`',
      '*',
      '_',
      '\\',
      'javascript:',
      'https://x.example/',
    ),
  });
  const span = fc.record(
    {
      text: nastyText,
      bold: fc.boolean(),
      italic: fc.boolean(),
      href: fc.option(nastyText, { nil: undefined }),
    },
    { requiredKeys: ['text'] },
  );
  const rich = fc.array(
    fc.oneof(
      fc.record({ kind: fc.constant('paragraph' as const), spans: fc.array(span) }),
      fc.record({
        kind: fc.constant('list' as const),
        ordered: fc.boolean(),
        items: fc.array(fc.array(span)),
      }),
    ),
    { maxLength: 4 },
  ) as fc.Arbitrary<RichText>;
  it('lets no markup through from rich words, in any medium', () => {
    fc.assert(
      fc.property(rich, nastyText, nastyText, (words, linkWords, title) => {
        const html = renderPost({ words, linkWords }, { ...values, title }, 'html');
        expect(
          html.replace(
            /<\/?(p|strong|em|ul|ol|li)>|<br>|<a href="https?:\/\/[^"<>]*" target="_blank" rel="noopener noreferrer">|<\/a>/g,
            '',
          ),
        ).not.toMatch(/[<>]/);
        const markdown = renderPost({ words, linkWords }, { ...values, title }, 'markdown');
        expect(strangeIn(markdown)).toEqual([]);
        expect(renderPost({ words, linkWords }, { ...values, title }, 'text')).toContain(
          values.address,
        );
      }),
      { numRuns: 500 },
    );
  });
  it('lets no markup through, from words, link words or field values', () => {
    const nasty = fc.string({
      unit: fc.constantFrom(
        '<',
        '>',
        '"',
        "'",
        '&',
        '{title}',
        'script',
        'a',
        ' ',
        '\n',
        '\u202e',
        '](',
        'javascript:',
      ),
    });
    fc.assert(
      fc.property(nasty, nasty, nasty, (words, linkWords, title) => {
        const html = renderPost({ words, linkWords }, { ...values, title }, 'html');
        expect(
          html.replace(
            /<\/?p>|<br>|<a href="https:\/\/glen\.merrow\.example\/door\/heron-7k3m9qvd2xt" target="_blank" rel="noopener noreferrer">|<\/a>/g,
            '',
          ),
        ).not.toMatch(/[<>]/);
        expect(html).not.toContain('\u202e');
        expect(renderPost({ words, linkWords }, { ...values, title }, 'text')).toContain(
          values.address,
        );
      }),
    );
  });
  it('takes only web addresses', () => {
    for (const address of ['javascript:alert(1)', 'door/heron', ''])
      expect(() => renderPost({ words: '', linkWords: 'x' }, { address }, 'html')).toThrow(
        GlenInputError,
      );
  });
});
