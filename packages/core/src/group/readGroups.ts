import Papa from 'papaparse';
import { fail } from '../input.js';
import { MOST_GROUPS } from './splitGroups.js';

/** Somebody of the roll, as a file may name them. */
export interface RollPerson {
  id: number;
  name: string;
  email: string | null;
}

export type GroupRowProblem =
  'unknown' | 'ambiguous' | 'two-groups' | 'doubled' | 'no-student' | 'no-group';
export interface ReadGroups {
  groups: { name: string; members: number[] }[];
  /** Of each line that was not taken as it stands: the line of the file, what it says, and what is wrong. */
  problems: { line: number; kind: GroupRowProblem; said: string }[];
  /** Lines with anything on them, the names of the columns left out. */
  lines: number;
  /** Of the roll, who is in none of the groups. */
  left: number[];
}

/** The text of a file: by its byte order mark, else UTF-16 where every other byte is nought, else UTF-8, else Windows-1252. */
export function decodeText(bytes: Uint8Array): string {
  const is = (...mark: number[]): boolean => mark.every((byte, i) => bytes[i] === byte);
  const as = (encoding: string, fatal = false): string =>
    new TextDecoder(encoding, { fatal }).decode(bytes);
  if (is(0xff, 0xfe)) return as('utf-16le');
  if (is(0xfe, 0xff)) return as('utf-16be');
  const start = bytes.subarray(0, 200);
  const noughts = (odd: number): number =>
    start.filter((byte, i) => i % 2 === odd && byte === 0).length;
  if (start.length > 3 && noughts(1) > start.length / 3) return as('utf-16le');
  if (start.length > 3 && noughts(0) > start.length / 3) return as('utf-16be');
  try {
    return as('utf-8', true);
  } catch {
    return as('windows-1252');
  }
}

/** How names are compared: without accents, case, and doubled space. */
const plain = (text: string): string =>
  text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase().replace(/\s+/g, ' ').trim();

const STUDENT =
  /^(student|pupil|name|full name|student name|learner|e-?mail|e-?mail address|address|who)$/;
const GROUP = /^(group|group name|team|set|section|watch)$/;

interface Columns {
  student: number;
  group: number;
}

/** Which columns a first line names, if it does. */
function columnsOf(head: string[]): Columns | null {
  const names = head.map(plain);
  const mails = names.findIndex((n) => n.startsWith('email') || n.startsWith('e-mail'));
  const student = mails >= 0 ? mails : names.findIndex((n) => STUDENT.test(n));
  const group = names.findIndex((n) => GROUP.test(n));
  return student < 0 || group < 0 ? null : { student, group };
}

/** The rows of a text whose first line names both columns, by the separator with which it does. */
function tableOf(text: string): { rows: string[][]; first: number; columns: Columns } {
  for (const delimiter of [',', ';', '\t', '|']) {
    const { data } = Papa.parse<string[]>(text, { delimiter, preview: 50 });
    const first = data.findIndex((row) => row.some((cell) => cell.trim() !== ''));
    if (first < 0) fail('file', 'There is nothing in this file.');
    const columns = columnsOf(data[first]!);
    if (columns) return { rows: Papa.parse<string[]>(text, { delimiter }).data, first, columns };
  }
  return fail(
    'file',
    'The first line has to name the columns: one called student (or name, or email) and one called group, in any order.',
  );
}

/** Ids by every way a file may name somebody: address, name, and family name first. */
function index(roll: RollPerson[]): Map<string, number[]> {
  const ways = new Map<string, number[]>();
  const put = (way: string, id: number): void => {
    const ids = ways.get(way) ?? [];
    if (!ids.includes(id)) ways.set(way, [...ids, id]);
  };
  for (const { id, name, email } of roll) {
    put(plain(name), id);
    const parts = name.trim().split(/\s+/);
    if (parts.length > 1) put(plain(`${parts.slice(1).join(' ')}, ${parts[0]!}`), id);
    if (email) put(plain(email), id);
  }
  return ways;
}

/** Far more than the largest class period's groups come to, and little enough to be read at once. */
const MOST_CHARACTERS = 10_000_000;
/** Of what a cell says, so much is told where it is wrong. */
const MOST_SAID = 1000;

/**
 * Groups from a file of two columns, student and group, named in its first line, in any order and with others beside them;
 * commas, semicolons or tabs between. A student who stands in two groups is left in the first. Nothing is taken that is not
 * certain: what was left out is told line by line. Throws GlenInputError at `file` where the columns cannot be
 * found, or the file is far too long.
 */
export function readGroups(text: string, roll: RollPerson[]): ReadGroups {
  if (text.length > MOST_CHARACTERS)
    fail('file', 'This file is too long to be one of groups. Is it the right one?');
  const { rows, first, columns } = tableOf(text.replace(/^\ufeff/, ''));
  const ways = index(roll);
  const groups = new Map<string, { name: string; members: number[] }>();
  const groupOf = new Map<number, string>();
  const problems: ReadGroups['problems'] = [];
  let lines = 0;
  rows.forEach((row, i) => {
    if (i <= first || row.every((cell) => cell.trim() === '')) return;
    lines++;
    const said = (row[columns.student] ?? '').trim();
    const name = (row[columns.group] ?? '').replace(/\s+/g, ' ').trim();
    const wrong = (kind: GroupRowProblem): void => {
      problems.push({ line: i + 1, kind, said: (said || name).slice(0, MOST_SAID) });
    };
    if (said === '') return wrong('no-student');
    const ids = ways.get(plain(said)) ?? [];
    if (ids.length === 0) return wrong('unknown');
    if (ids.length > 1) return wrong('ambiguous');
    if (name === '') return wrong('no-group');
    const key = plain(name);
    const before = groupOf.get(ids[0]!);
    if (before !== undefined) return wrong(before === key ? 'doubled' : 'two-groups');
    groupOf.set(ids[0]!, key);
    const group = groups.get(key) ?? { name: name.slice(0, 60), members: [] };
    group.members.push(ids[0]!);
    groups.set(key, group);
  });
  if (groups.size > MOST_GROUPS)
    fail(
      'file',
      `There are ${groups.size} groups in it; at most ${MOST_GROUPS} can be made at once. Is it the right column?`,
    );
  return {
    groups: [...groups.values()],
    problems,
    lines,
    left: roll.filter((p) => !groupOf.has(p.id)).map((p) => p.id),
  };
}

const PROBLEM_WORDS: Record<GroupRowProblem, (said: string) => string> = {
  unknown: (said) => `${said} is not on this roll.`,
  ambiguous: (said) => `Two people of the roll are called ${said}; give the address instead.`,
  'two-groups': (said) => `${said} stands in another group already and stays there.`,
  doubled: (said) => `${said} stands here twice.`,
  'no-student': (said) => `No student is named${said ? ` for ${said}` : ''}.`,
  'no-group': (said) => `No group is named for ${said}.`,
};

/** What is wrong with one line, in a sentence. */
export const groupProblemInWords = ({ kind, said }: ReadGroups['problems'][number]): string =>
  PROBLEM_WORDS[kind](said);
