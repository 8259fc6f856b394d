import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { headerText, renderLetter, type LetterText } from '../src/index.js';

const SITE = 'https://glen.merrow.example';
const letter = (more: Partial<LetterText> = {}): LetterText => ({
  subject: 'Coastal Navigation, period 3: in an hour',
  says: ['Today at 10:45.', ['Tide table', 'Dividers']],
  link: { words: 'Coastal Navigation, 10:45', address: `${SITE}/door/heron-7k3m9qvd2xt` },
  why: 'You teach it.',
  stop: `${SITE}/letters/stop/abc`,
  ...more,
});

describe('a letter', () => {
  it('spells addresses out in plain text, and has the words be the link in HTML', () => {
    const { text, html } = renderLetter(letter(), SITE);
    expect(text).toBe(
      [
        'Today at 10:45.',
        '- Tide table\n- Dividers',
        `Coastal Navigation, 10:45:\n${SITE}/door/heron-7k3m9qvd2xt`,
        '---',
        'You teach it.',
        `No more of these letters (${SITE}/letters/stop/abc)\n`,
      ].join('\n\n'),
    );
    expect(html).toContain(
      `<a href="${SITE}/door/heron-7k3m9qvd2xt" target="_blank" rel="noopener noreferrer">Coastal Navigation, 10:45</a>`,
    );
    expect(html).toContain('<ul><li>Tide table</li><li>Dividers</li></ul>');
  });
  it('that leads nowhere in particular and was asked for says neither', () => {
    const { text } = renderLetter(letter({ link: null, stop: null, says: ['Done.'] }), SITE);
    expect(text).toBe('Done.\n\n---\n\nYou teach it.\n');
  });
  it('has text that people typed stay text', () => {
    const { html, text } = renderLetter(
      letter({ subject: '<b>5 & 6</b>', says: ['<script>1</script> & “so”'] }),
      SITE,
    );
    expect(html).toContain('<title>&lt;b&gt;5 &amp; 6&lt;/b&gt;</title>');
    expect(html).toContain('&lt;script&gt;1&lt;/script&gt; &amp; “so”');
    expect(text).toContain('<script>1</script> & “so”');
  });
  it('is refused where an address is none', () => {
    expect(() =>
      renderLetter(letter({ link: { words: 'x', address: 'javascript:alert(1)' } }), SITE),
    ).toThrow('A link begins with');
  });
});

describe('headerText', () => {
  it('is one line without control characters, whatever was typed (RFC 5322 §2.2)', () => {
    expect(headerText('Knots\r\nBcc: all@merrow.example')).toBe('Knots Bcc: all@merrow.example');
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (typed) => {
        const line = headerText(typed);
        expect(line).not.toMatch(/\p{Cc}/u);
        expect([...line].length).toBeLessThanOrEqual(150);
        expect(headerText(line)).toBe(line.trim());
      }),
    );
  });
});
