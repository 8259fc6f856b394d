/** A piece of the phrase: a word, a number, a sign between them, or something that no rule reads (`odd`). */
interface Token {
  /** In lower case, as long as what was typed. */
  text: string;
  kind: 'word' | 'number' | 'sign' | 'odd';
  /** Its place in the text, `from ≤ i < to`. */
  from: number;
  to: number;
}

const CHUNK = /\S+/g;
const PIECE = /\p{L}[\p{L}\p{M}'’]*|[0-9]+|./gu;
const SIGNS = '-–—.,:;/&+()!?@\'’"“”';
/** Signs that join two words; at a chunk's edge they are part of a name: `C++`, `N(`. */
const JOINING = /^[+/&)].|.[+/&(]$/;

/** In lower case, character by character where the whole would change its length: places must stay what they were. */
function lower(text: string): string {
  const whole = text.toLowerCase();
  if (whole.length === text.length) return whole;
  return text.replace(/[\s\S]/g, (c) => (c.toLowerCase().length === 1 ? c.toLowerCase() : c));
}

const isSign = (piece: string): boolean => piece.length === 1 && SIGNS.includes(piece);

function kindOf(piece: string): Token['kind'] {
  if (/^[0-9]/.test(piece)) return 'number';
  if (/^\p{L}/u.test(piece)) return 'word';
  return isSign(piece) ? 'sign' : 'odd';
}

/** A chunk without spaces as its pieces; one piece where it holds signs that no rule knows. */
function piecesOf(chunk: string, from: number): Token[] {
  const pieces = [...chunk.matchAll(PIECE)].map(({ 0: text, index }) => ({
    text,
    kind: kindOf(text),
    from: from + index,
    to: from + index + text.length,
  }));
  const isOdd = pieces.some((piece) => piece.kind === 'odd') || JOINING.test(chunk);
  if (!isOdd) return pieces;
  const name = chunk.replace(/[,;:!?]+$/, '') || chunk;
  return [{ text: name, kind: 'odd', from, to: from + name.length }];
}

/** The phrase in pieces, with their places. */
export function tokensOf(text: string): Token[] {
  return [...lower(text).matchAll(CHUNK)].flatMap(({ 0: chunk, index }) => piecesOf(chunk, index));
}

/** Tokens with short ways to ask of them; asked past the end, nothing is there. */
export class Tokens {
  readonly list: Token[];
  constructor(readonly text: string) {
    this.list = tokensOf(text);
  }
  get length(): number {
    return this.list.length;
  }
  textAt(i: number): string {
    return this.list[i]?.text ?? '';
  }
  /** Whether one of these words or signs stands there. */
  is(i: number, ...texts: string[]): boolean {
    return texts.includes(this.textAt(i));
  }
  /** Whether these follow one another from there on. */
  are(i: number, ...texts: string[]): boolean {
    return texts.every((text, n) => this.textAt(i + n) === text);
  }
  /** The number in figures that stands there. */
  number(i: number): number | undefined {
    const token = this.list[i];
    return token?.kind === 'number' ? Number(token.text) : undefined;
  }
  /** Whether nothing stands between this token and the one before it. */
  isGlued(i: number): boolean {
    const [before, token] = [this.list[i - 1], this.list[i]];
    return before !== undefined && token?.from === before.to;
  }
  from(i: number): number {
    return this.list[i]!.from;
  }
  to(i: number): number {
    return this.list[i]!.to;
  }
}
