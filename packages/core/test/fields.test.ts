import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyFields, fillFields, renderPost, type PostValues } from '../src/index.js';

const ropework: PostValues = {
  address: 'https://glen.merrow.example/door/heron-7k3m9qvd2xt',
  class: 'Ropework',
  title: 'Splices',
  time: '13:20',
};
const fill = (text: string, more: Partial<PostValues> = {}): string =>
  fillFields(text, { ...ropework, ...more });

describe('a field that has nothing to say', () => {
  it('takes its clause along', () => {
    expect(fill('Join {class}, period {period}')).toBe('Join Ropework');
    expect(fill('Join {class}, period {period}, at {time}')).toBe('Join Ropework, at 13:20');
    expect(fill('Period {period}: {title}')).toBe('Splices');
    expect(fill('{class} ({period}) at {time}')).toBe('Ropework at 13:20');
    expect(fill('{class} – period {period}')).toBe('Ropework');
  });
  it('takes its sentence along, and the label before a colon', () => {
    expect(fill('Today: {title}. Bring {bring}. Be on time.')).toBe('Today: Splices. Be on time.');
    expect(fill('Bring {bring}.')).toBe('');
    expect(fill('Come at {time}.\nBring: {bring}\nSee you')).toBe('Come at 13:20.\nSee you');
    expect(fill('The code: {entryCode}. Be on time!')).toBe('Be on time!');
  });
  it('takes its label along from the midst of a sentence, too', () => {
    expect(fill('Code: {entryCode}, be on time')).toBe('be on time');
    expect(fill('Come at {time}, code: {entryCode}.')).toBe('Come at 13:20.');
  });
  it('is found in a long text of nothing else in no time to speak of', () => {
    const many = 'in: {period}, '.repeat(1400);
    expect(fill(many)).not.toMatch(/in|period/);
    expect(fill(`{class} ${'in '.repeat(6000)}{period}`).trim()).toMatch(/^Ropework( in)+$/);
  });
  it('leaves what else its clause says, but for the little words before it', () => {
    expect(fill('We meet in period {period} at {time}')).toBe('We meet at 13:20');
    expect(fill('{title} with {host}')).toBe('Splices');
    expect(fill('{class} period {period} {time}')).toBe('Ropework 13:20');
  });
  it('does no harm where it has something to say, and to what is no field', () => {
    expect(fill('Join {class}, period {period}', { period: '5' })).toBe('Join Ropework, period 5');
    expect(fill('{nothing}, 10.45, {class}')).toBe('{nothing}, 10.45, Ropework');
    expect(fill('{class}', { class: '{bring}' })).toBe('{bring}');
  });
  it('is told, each once', () => {
    expect(emptyFields('{class} {period} {period} {bring} {nothing}', ropework)).toEqual([
      '{period}',
      '{bring}',
    ]);
  });
  it('vanishes across bold words, and from lists', () => {
    const rendered = renderPost(
      {
        words: [
          { kind: 'paragraph', spans: [{ text: 'Period ' }, { text: '{period}', bold: true }] },
          {
            kind: 'list',
            ordered: false,
            items: [[{ text: 'Bring {bring}' }], [{ text: 'Be on time' }]],
          },
          { kind: 'paragraph', spans: [{ text: 'By {link}, period {period}.' }] },
        ],
        linkWords: 'this door, {period}',
      },
      ropework,
      'text',
    );
    expect(rendered).toBe(`- Be on time\n\nBy this door (${ropework.address}).`);
  });
});

describe('any text with fields', () => {
  const part = fc.oneof(
    fc.constantFrom('{period}', '{class}', '{bring}', '{link}', '{x}'),
    fc.constantFrom(', ', '. ', ' ', ': ', ' (', ') ', '\n', ' – ', 'period', 'Bring', 'we'),
  );
  const text = fc.array(part, { maxLength: 14 }).map((parts) => parts.join(''));
  it('names no field of ours any more, keeps what has a value, and is itself where all have', () => {
    fc.assert(
      fc.property(text, (t) => {
        const result = fill(t);
        expect(result).not.toMatch(/\{(period|bring)\}/);
        expect(result.split('Ropework').length).toBe(t.split('{class}').length);
        expect(fill(t, { period: 'P', bring: 'B' })).toBe(
          t
            .replaceAll('{class}', 'Ropework')
            .replaceAll('{period}', 'P')
            .replaceAll('{bring}', 'B'),
        );
      }),
      { numRuns: 500 },
    );
  });
});
