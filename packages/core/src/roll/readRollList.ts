import Papa from 'papaparse';

/** One line of a pasted list: who it names, as far as that can be told. */
export interface RollListEntry {
  /** From 1, as the list was pasted. */
  line: number;
  name: string;
  /** In lower case; blank where the line has none. */
  email: string;
  /** The name was put together from two columns that nobody named: it may be the wrong way round. */
  isGuessed: boolean;
}

const EMAIL = /[^\s<>,;"'()]+@[^\s<>,;"'()]+\.[^\s<>,;"'()]+/;
/** How many lines are looked at to find out what stands between the columns. */
const LOOKED_AT = 20;

const FULL_NAME = /^(name|full name|student|student name|pupil|learner|who)$/i;
const FIRST_NAME = /^(first|first name|given name|given names|forename)$/i;
const LAST_NAME = /^(last|last name|surname|family name)$/i;
const MAIL = /^(e-?mail|e-?mail address|address|mail|login|user ?name)$/i;

interface Columns {
  full: number;
  first: number;
  last: number;
  email: number;
}

/** Which columns a first line names; none where it is a line like the others. */
function columnsOf(cells: string[]): Columns | null {
  const at = (name: RegExp): number => cells.findIndex((cell) => name.test(cell.trim()));
  const columns = {
    full: at(FULL_NAME),
    first: at(FIRST_NAME),
    last: at(LAST_NAME),
    email: at(MAIL),
  };
  const namesSomebody = columns.full >= 0 || (columns.first >= 0 && columns.last >= 0);
  return namesSomebody || columns.email >= 0 ? columns : null;
}

/** What stands between the columns: a tab, a semicolon or a comma in most of the first lines; else nothing. */
function delimiterOf(lines: string[]): string | null {
  const looked = lines.filter((line) => line.trim() !== '').slice(0, LOOKED_AT);
  const isUsual = (sign: string): boolean =>
    looked.filter((line) => line.includes(sign)).length * 2 > looked.length;
  return ['\t', ';', ','].find(isUsual) ?? null;
}

const tidy = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** What stands around a name once its address is gone. */
const EDGES = /^[\s,;:–-]+|[\s,;:–-]+$/g;

interface LooseName {
  name: string;
  isGuessed: boolean;
}

/** `Grue, Ansel`: a family name that stands first. */
function turned(name: string): LooseName {
  const [, family, given] = /^([^,]+),\s*([^,]+)$/.exec(name) ?? [];
  return family && given
    ? { name: `${given} ${family}`, isGuessed: true }
    : { name, isGuessed: false };
}

/** The name in cells whose columns nobody named: those that hold letters and no address. */
function looseName(cells: string[], delimiter: string | null): LooseName {
  const words = cells
    .map((cell) => tidy(cell.replace(EMAIL, '').replace(/[<>"()]/g, ' ')).replace(EDGES, ''))
    .filter((cell) => /\p{L}/u.test(cell));
  if (words.length < 2) return turned(words[0] ?? '');
  const [one, two] = words as [string, string];
  // Between commas the family name commonly stands first; elsewhere the given name does.
  const name = delimiter === ',' ? `${two} ${one}` : `${one} ${two}`;
  return { name, isGuessed: true };
}

function nameIn(cells: string[], columns: Columns): string {
  if (columns.full >= 0) return tidy(cells[columns.full] ?? '');
  return tidy(`${cells[columns.first] ?? ''} ${cells[columns.last] ?? ''}`);
}

function entryOf(cells: string[], columns: Columns | null, delimiter: string | null) {
  const mailCell = columns && columns.email >= 0 ? (cells[columns.email] ?? '') : cells.join(' ');
  const email = (EMAIL.exec(mailCell)?.[0] ?? '').toLowerCase();
  const isNamed = columns !== null && (columns.full >= 0 || columns.first >= 0);
  if (isNamed) return { name: nameIn(cells, columns), email, isGuessed: false };
  return { ...looseName(cells, delimiter), email };
}

/**
 * People from a list as it is copied out of a mail, a table or another program: one a line, the columns found by
 * themselves or by their names in the first line, in any order; `Ansel Grue <a.grue@…>` too. Empty lines are left out.
 */
export function readRollList(text: string): RollListEntry[] {
  const lines = text.replace(/^\ufeff/, '').split(/\r\n|\r|\n/);
  const delimiter = delimiterOf(lines);
  const cellsOf = (line: string): string[] =>
    delimiter === null ? [line] : (Papa.parse<string[]>(line, { delimiter }).data[0] ?? []);
  const first = lines.findIndex((line) => line.trim() !== '');
  const columns = first < 0 ? null : columnsOf(cellsOf(lines[first]!));
  return lines.flatMap((line, i) => {
    if (line.trim() === '' || (columns && i === first)) return [];
    return [{ line: i + 1, ...entryOf(cellsOf(line), columns, delimiter) }];
  });
}
