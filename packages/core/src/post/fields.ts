import { tidy } from './blocks.js';
import type { Span } from './richText.js';

/** What the fields of a post stand for. `address` is the join link's full address; `bring` what to bring. */
export interface PostValues {
  address: string;
  class?: string;
  title?: string;
  date?: string;
  time?: string;
  period?: string;
  host?: string;
  bring?: string;
  entryCode?: string;
}

const POST_FIELDS = [
  'class',
  'title',
  'date',
  'time',
  'period',
  'host',
  'bring',
  'entryCode',
] as const;
type Field = (typeof POST_FIELDS)[number];

const FIELD = /\{([A-Za-z]+)\}/g;
const isField = (name: string): name is Field => (POST_FIELDS as readonly string[]).includes(name);

const valueOf = (field: Field, values: PostValues): string => (values[field] ?? '').trim();

/** A stretch of a text, half open. */
interface Stretch {
  from: number;
  to: number;
}

interface FieldAt extends Stretch {
  hasValue: boolean;
}

/** Stands for what has its words already: there is something to say. */
const SAID = '\uFFFC';

function fieldsIn(text: string, values: PostValues): FieldAt[] {
  const typed = [...text.matchAll(FIELD)].flatMap((match): FieldAt[] => {
    const name = match[1]!;
    if (!isField(name)) return [];
    const from = match.index;
    return [{ from, to: from + match[0].length, hasValue: valueOf(name, values) !== '' }];
  });
  const said = [...text.matchAll(new RegExp(`${SAID}+`, 'g'))].map((match) => ({
    from: match.index,
    to: match.index + match[0].length,
    hasValue: true,
  }));
  return [...typed, ...said];
}

/** What parts the clauses of a line; the words of a sentence end, a full stop and the like, only before a blank or the end. */
const PARTING = /\n|[,;:()·|]|\s[–—-](?=\s)|[.!?]+(?=\s|$)/g;

/** A piece of a line between two marks, with the marks themselves (or the ends of the text). */
interface Clause extends Stretch {
  before: Stretch & { mark: string };
  after: Stretch & { mark: string };
}

function clausesOf(text: string): Clause[] {
  const marks = [...text.matchAll(PARTING)].map((match) => ({
    from: match.index,
    to: match.index + match[0].length,
    mark: match[0].trim() || '\n',
  }));
  const edges = [
    { from: 0, to: 0, mark: '\n' },
    ...marks,
    { from: text.length, to: text.length, mark: '\n' },
  ];
  return edges.slice(1).map((after, i) => {
    const before = edges[i]!;
    return { from: before.to, to: after.from, before, after };
  });
}

const ENDS = /^(?:\n|[.!?]+)$/;
/** The little words that lead up to a field, such as "in period". */
const LEADING =
  /(?:(?:^|\s)(?:in|at|on|for|with|by|from|of|and|the|is|class|period|lesson|entry|code|bring|host|date|day|time))+\s*$/i;

/** So far before a field are little words looked for. */
const MOST_LEADING = 60;

/** A field without a value among others that have one goes with the little words before it. */
function fieldCut(text: string, clause: Clause, field: FieldAt): Stretch {
  const begins = Math.max(clause.from, field.from - MOST_LEADING);
  const lead = LEADING.exec(text.slice(begins, field.from));
  const from = lead ? begins + lead.index : field.from;
  return { from, to: field.to };
}

/** A clause that says nothing goes with the mark that ties it to the rest; a label before a colon goes with it. */
function clauseCut(clauses: Clause[], i: number, says: (clause: Clause) => boolean): Stretch {
  const clause = clauses[i]!;
  const { to, before, after } = clause;
  if (before.mark === '(' && after.mark === ')') return { from: before.from, to: after.to };
  const label = before.mark === ':' ? clauses[i - 1] : undefined;
  const head = label && !says(label) ? label : clause;
  // The first of its sentence takes the mark behind it along, any other the mark before it.
  return ENDS.test(head.before.mark)
    ? { from: head.from, to: after.to }
    : { from: head.before.from, to };
}

/** The stretches of a text that vanish because their fields have nothing to say, in order. */
function cutsOf(text: string, values: PostValues): Stretch[] {
  const fields = fieldsIn(text, values);
  if (fields.every((field) => field.hasValue)) return [];
  const clauses = clausesOf(text);
  const fieldsOf = (clause: Clause): FieldAt[] =>
    fields.filter((field) => field.from >= clause.from && field.to <= clause.to);
  const says = (clause: Clause): boolean => fieldsOf(clause).some((field) => field.hasValue);
  return clauses.flatMap((clause, i): Stretch[] => {
    const blank = fieldsOf(clause).filter((field) => !field.hasValue);
    if (blank.length === 0) return [];
    return says(clause)
      ? blank.map((field) => fieldCut(text, clause, field))
      : [clauseCut(clauses, i, says)];
  });
}

const filled = (text: string, values: PostValues): string =>
  text.replace(FIELD, (whole, name: string) => (isField(name) ? valueOf(name, values) : whole));

const isBlank = (character: string | undefined): boolean =>
  character === undefined || /\s/.test(character);

/** Whether a character of a text stands, where some stretches go: no blank is left doubled, or alone at the beginning. */
function keeper(text: string, cuts: Stretch[]): (at: number) => boolean {
  const stands = new Array<boolean>(text.length).fill(true);
  for (const { from, to } of cuts) stands.fill(false, from, to);
  for (const { from, to } of cuts)
    if (text[to] === ' ' && (from === 0 || isBlank(text[from - 1]))) stands[to] = false;
  return (at) => stands[at]!;
}

/** What is put in already and is no field, whatever it looks like. */
export interface Piece {
  span: Span;
  isSaid: boolean;
}

/**
 * Fills `{field}`s into a run of spans. A field that has nothing to say vanishes with its words: the clause that holds it, or, where
 * the clause says something else too, the little words that lead up to it. What is no field stays as typed.
 */
export function fillPieces(pieces: Piece[], values: PostValues): Span[] {
  const text = pieces
    .map(({ span, isSaid }) => (isSaid ? SAID.repeat(span.text.length) : span.text))
    .join('');
  const stands = keeper(text, cutsOf(text, values));
  let at = 0;
  return pieces.flatMap(({ span, isSaid }): Span[] => {
    const start = at;
    at += span.text.length;
    if (isSaid) return [span];
    const kept = [...span.text.split('')].filter((_, i) => stands(start + i)).join('');
    return kept === '' && span.text !== '' ? [] : [{ ...span, text: filled(kept, values) }];
  });
}

/** The same for plain text. */
export const fillFields = (text: string, values: PostValues): string =>
  fillPieces([{ span: { text }, isSaid: false }], values)
    .map((span) => span.text)
    .join('');

/** The same on one line, for headings and titles. */
export const fillLine = (text: string, values: PostValues): string =>
  tidy(fillFields(text, values)).replace(/\s+/g, ' ');

/** The fields that a text names and that have nothing to say, each once. */
export const emptyFields = (text: string, values: PostValues): string[] => [
  ...new Set(
    [...text.matchAll(FIELD)].flatMap(([whole, name]) =>
      isField(name!) && valueOf(name, values) === '' ? [whole] : [],
    ),
  ),
];
