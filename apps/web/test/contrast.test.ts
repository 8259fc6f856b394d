import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { root } from '../../../scripts/build.mjs';

const SRC = join(root, 'apps/web/src');
const css = readFileSync(join(SRC, 'app/theme.css'), 'utf8');

/** The tokens of one theme; those with a single value are the same in both. */
function tokens(theme: 'light' | 'dark'): Map<string, string> {
  const HEX = '#[0-9a-f]{6}';
  const token = new RegExp(`--([a-z-]+): (?:light-dark\\()?(${HEX})(?:, (${HEX})\\))?;`, 'g');
  const screen = css.slice(0, css.indexOf('@media print'));
  return new Map(
    [...screen.matchAll(token)].map(([, name, light, dark]) => [
      name!,
      theme === 'dark' ? (dark ?? light!) : light!,
    ]),
  );
}

/** Relative luminance and contrast ratio, WCAG 2.2 (published), "relative luminance" and "contrast ratio" of its definitions. */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5]
    .map((i) => Number.parseInt(hex.slice(i, i + 2), 16) / 255)
    .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4)) as [
    number,
    number,
    number,
  ];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
function contrast(a: string, b: string): number {
  const [dark, light] = [luminance(a), luminance(b)].sort((x, y) => x - y) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}

const HUES = ['bracken', 'loch', 'moss', 'gorse', 'berry'];
/** Text on its ground, wherever the pages put them together. */
const TEXT: [text: string, ground: string][] = [
  ...['paper', 'sheet', 'shade'].flatMap((ground): [string, string][] => [
    ['ink', ground],
    ['soft', ground],
  ]),
  ...HUES.flatMap((hue): [string, string][] => [
    [`${hue}-deep`, `${hue}-tint`],
    ['ink', `${hue}-tint`],
  ]),
  ...['bracken', 'loch', 'berry'].flatMap((hue): [string, string][] =>
    ['paper', 'sheet', 'shade'].map((ground): [string, string] => [`${hue}-deep`, ground]),
  ),
  ['on-act', 'bracken'],
  ['on-act', 'bracken-deep'],
  ['paper', 'ink'],
  ['bar-ink', 'bar'],
  ['bar-soft', 'bar'],
  ['bar-act', 'bar'],
  ['bar-well', 'bar'],
  ['bar', 'bar-ink'],
  ...['berry', 'gorse', 'loch', 'moss'].map((hue): [string, string] => ['sheet', hue]),
];
/** Edges of controls and marks that mean something, WCAG 2.2 §1.4.11: three to one. */
const MARKS: [mark: string, ground: string][] = [
  ['edge', 'paper'],
  ['edge', 'sheet'],
  ['bracken', 'paper'],
  ['bracken', 'sheet'],
  ['bracken', 'shade'],
  ['berry', 'sheet'],
  ['berry', 'paper'],
  ['bar-mark', 'bar'],
];

describe.each(['light', 'dark'] as const)('contrast in the %s theme', (theme) => {
  const colours = tokens(theme);
  it.each(TEXT)('%s on %s reads at 4.5 to one or better', (text, ground) => {
    expect(contrast(colours.get(text)!, colours.get(ground)!)).toBeGreaterThanOrEqual(4.5);
  });
  it.each(MARKS)('%s shows on %s at 3 to one or better', (mark, ground) => {
    expect(contrast(colours.get(mark)!, colours.get(ground)!)).toBeGreaterThanOrEqual(3);
  });
});

const sources = readdirSync(SRC, { recursive: true, encoding: 'utf8' })
  .filter((f) => /\.tsx?$/.test(f))
  .map((f) => readFileSync(join(SRC, f), 'utf8'));

describe('what is tested is what is used', () => {
  it('every ground and text that one class list puts together is among the pairs', () => {
    const known = new Set(TEXT.map(([text, ground]) => `${text} on ${ground}`));
    const used = sources.flatMap((source) =>
      [...source.matchAll(/['"`]([^'"`\n]*\bbg-[^'"`\n]*)['"`]/g)].flatMap(([, list]) => {
        const plain = list!.split(/\s+/).filter((c) => !c.includes(':') && !c.includes('/'));
        const of = (prefix: string): string[] =>
          plain
            .filter((c) => c.startsWith(`${prefix}-`))
            .map((c) => c.slice(prefix.length + 1))
            .filter((name) => tokens('light').has(name));
        return of('bg').flatMap((ground) => of('text').map((text) => `${text} on ${ground}`));
      }),
    );
    expect(used.length).toBeGreaterThan(20);
    expect(used.filter((pair) => !known.has(pair))).toEqual([]);
  });
  it('no colour is written out: all of them are tokens', () => {
    const written = sources.flatMap((source) => source.match(/\[#[0-9a-f]{3,8}\]/g) ?? []);
    expect(written).toEqual([]);
  });
  it('letters read on both tones of every pennant', () => {
    const pennant = readFileSync(join(SRC, 'ui/Pennant.tsx'), 'utf8');
    const tones = [...pennant.slice(0, pennant.indexOf('PATTERNS')).matchAll(/#[0-9a-f]{6}/g)].map(
      (m) => m[0],
    );
    expect(tones).toHaveLength(12);
    for (const tone of tones) expect(contrast('#ffffff', tone)).toBeGreaterThanOrEqual(4.5);
  });
});

describe('the formula', () => {
  it('gives the values that WCAG gives for black, white and equal colours', () => {
    expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 5);
    expect(contrast('#777777', '#777777')).toBe(1);
    // From memory: #767676 is the lightest grey that passes on white.
    expect(contrast('#767676', '#ffffff')).toBeGreaterThanOrEqual(4.5);
    expect(contrast('#777777', '#ffffff')).toBeLessThan(4.5);
  });
});
