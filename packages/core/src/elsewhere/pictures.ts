import { escapeHtml, tidy } from '../post/blocks.js';

/** The dark squares of a QR code (ISO/IEC 18004): so many to a side, row by row. */
export interface QrSquares {
  side: number;
  isDark: (row: number, column: number) => boolean;
}

/** What stands on a picture. */
export interface Pictured {
  title: string;
  school: string;
  address: string;
  qr: QrSquares;
}

export const PICTURES = ['slide', 'poster', 'banner'] as const;
export type PictureKind = (typeof PICTURES)[number];

const INK = '#1d2b2a';
const PAPER = '#fffdf6';
const RUST = '#a3441a';
const SOFT = '#55605d';
const FONT = "'Atkinson Hyperlegible Next', system-ui, sans-serif";

/** A quiet zone of four squares all around (ISO/IEC 18004 §5.3.8). */
const QUIET = 4;

interface Box {
  x: number;
  y: number;
  size: number;
}

/** Dark squares as one path, a run of them at a time, on white: some readers know no light on dark. */
function qrPart({ side, isDark }: QrSquares, { x, y, size }: Box): string {
  const runs: string[] = [];
  for (let row = 0; row < side; row++)
    for (let from = 0; from < side; from++) {
      if (!isDark(row, from)) continue;
      let to = from;
      while (to < side && isDark(row, to)) to++;
      runs.push(`M${from + QUIET} ${row + QUIET}h${to - from}v1h-${to - from}z`);
      from = to;
    }
  const all = side + 2 * QUIET;
  return `<svg x="${x}" y="${y}" width="${size}" height="${size}" viewBox="0 0 ${all} ${all}" shape-rendering="crispEdges"><rect width="${all}" height="${all}" fill="#fff"/><path fill="#000" d="${runs.join('')}"/></svg>`;
}

const said = (text: string): string => escapeHtml(tidy(text).replace(/\s+/g, ' '));

/** So many signs of a size fit on a line, by and large: bold letters of any font are at the most this wide. */
const signsIn = (width: number, size: number): number => Math.floor(width / (size * 0.66));

/** A text on several lines, cut at the last where it is longer still. */
export function linesOf(text: string, signs: number, most: number): string[] {
  const lines: string[] = [];
  for (const word of tidy(text).split(/\s+/)) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= signs)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word.length > signs ? `${word.slice(0, signs - 1)}…` : word);
  }
  if (lines.length <= most) return lines;
  const end = lines[most - 1]!;
  return [...lines.slice(0, most - 1), `${end.slice(0, signs - 1)}…`];
}

interface TextBox {
  x: number;
  y: number;
  width: number;
  size: number;
  most: number;
  fill?: string;
  weight?: number;
}

/** Lines of text from a first baseline on; gives them with where the next would stand. */
function textPart(text: string, box: TextBox): { part: string; next: number } {
  const { x, y, width, size, most, fill = INK, weight = 400 } = box;
  const lines = linesOf(text, signsIn(width, size), most);
  const step = size * 1.22;
  const spans = lines.map((line, i) => `<tspan x="${x}" y="${y + i * step}">${said(line)}</tspan>`);
  return {
    part: `<text font-family="${FONT}" font-size="${size}" font-weight="${weight}" fill="${fill}">${spans.join('')}</text>`,
    next: y + lines.length * step,
  };
}

/** An address on one line, as large as it fits. */
function addressPart(address: string, { x, y, width, size }: TextBox): string {
  const fits = Math.min(size, width / (address.length * 0.62));
  return `<text x="${x}" y="${y}" font-family="'Atkinson Hyperlegible Mono', monospace" font-size="${fits.toFixed(1)}" fill="${SOFT}">${said(address)}</text>`;
}

interface Sheet {
  width: number;
  height: number;
  label: string;
  body: string;
}

const sheet = ({ width, height, label, body }: Sheet): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" role="img" aria-label="${said(label)}"><rect width="${width}" height="${height}" fill="${PAPER}"/>${body}</svg>`;

const bar = (width: number, height: number): string =>
  `<rect width="${width}" height="${height}" fill="${RUST}"/>`;

/** For the first or last slide of a lesson, 16 to 9. */
function slide({ title, school, address, qr }: Pictured): string {
  const width = 900;
  const head = textPart(title, { x: 90, y: 300, width, size: 84, most: 4, weight: 700 });
  const of = textPart(school, { x: 90, y: head.next + 20, width, size: 36, most: 1, fill: SOFT });
  const at = addressPart(address, { x: 90, y: 990, width: 1740, size: 40, most: 1 });
  const code = qrPart(qr, { x: 1090, y: 150, size: 740 });
  return sheet({
    width: 1920,
    height: 1080,
    label: title,
    body: `${bar(1920, 28)}${head.part}${of.part}${code}${at}`,
  });
}

/** For a wall: A4 upright. */
function poster({ title, school, address, qr }: Pictured): string {
  const width = 1020;
  const head = textPart(title, { x: 110, y: 240, width, size: 100, most: 3, weight: 700 });
  const of = textPart(school, { x: 110, y: head.next + 14, width, size: 42, most: 2, fill: SOFT });
  const how = textPart('Point a camera here, or type the address.', {
    x: 110,
    y: 1530,
    width,
    size: 42,
    most: 2,
  });
  const at = addressPart(address, { x: 110, y: 1620, width, size: 40, most: 1 });
  return sheet({
    width: 1240,
    height: 1754,
    label: title,
    body: `${bar(1240, 36)}${head.part}${of.part}${qrPart(qr, { x: 220, y: 660, size: 800 })}${how.part}${at}`,
  });
}

/** A flat picture that is a link itself. */
function banner({ title, school }: Pictured): string {
  const width = 1000;
  const head = textPart(title, { x: 48, y: 84, width, size: 52, most: 1, weight: 700 });
  const of = textPart(school, { x: 48, y: 140, width, size: 28, most: 1, fill: SOFT });
  const go = `<rect x="1090" y="56" width="150" height="72" rx="10" fill="${RUST}"/><text x="1165" y="103" text-anchor="middle" font-family="${FONT}" font-size="32" font-weight="700" fill="#fff">Join</text>`;
  return sheet({
    width: 1280,
    height: 184,
    label: `${title}: join`,
    body: `<rect width="14" height="184" fill="${RUST}"/>${head.part}${of.part}${go}`,
  });
}

const DRAWN: Record<PictureKind, (of: Pictured) => string> = { slide, poster, banner };

/** A slide, a poster or a banner as SVG 1.1; whatever people typed stays text. */
export const picture = (kind: PictureKind, of: Pictured): string => DRAWN[kind](of);

/** HTML in which a banner is the link: its picture is part of the address, so that nothing is fetched. */
export function bannerHtml(of: Pictured): string {
  const source = `data:image/svg+xml,${encodeURIComponent(banner(of))}`;
  return `<a href="${escapeHtml(of.address)}" target="_blank" rel="noopener noreferrer"><img src="${escapeHtml(source)}" alt="${said(of.title)}: join" width="640" height="92"></a>`;
}
