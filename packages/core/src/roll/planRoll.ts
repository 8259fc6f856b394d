import type { RollListEntry } from './readRollList.js';

/** Somebody whom the school knows; `email`: each of their addresses. */
export interface KnownPerson {
  id: number;
  name: string;
  emails: string[];
  isStudent: boolean;
  /** Here no longer; the office can bring them back. */
  isRetired: boolean;
}

/** What a line of a list would do. */
export interface RollLine {
  line: number;
  name: string;
  email: string;
  what: 'add' | 'make' | 'there' | 'doubt' | 'wrong';
  /** Why it is asked about, or cannot be; blank where there is nothing to say. */
  why: string;
  /** Whom the school knows by it. */
  personId: number | null;
}

/** How names are compared: without accents, case, order and doubled space. */
const plain = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
    .sort()
    .join(' ');

const MAIL = /^[^\s@]+@[^\s@]+\.[^\s@]+$/;
const LONGEST_NAME = 120;

type Verdict = Pick<RollLine, 'what' | 'why' | 'personId'>;

const wrong = (why: string): Verdict => ({ what: 'wrong', why, personId: null });

/** What is the matter with a line by itself, before anybody is looked for. */
function flaw({ name, email }: RollListEntry, isDoubled: boolean): string | null {
  if (name === '' && email === '') return 'There is no name and no address in this line.';
  if (email !== '' && !MAIL.test(email)) return 'This is no address.';
  if (name.length > LONGEST_NAME) return 'This name is too long.';
  if (!isDoubled) return null;
  return `This ${email === '' ? 'name' : 'address'} stands in the list already.`;
}

function ofKnown(entry: RollListEntry, person: KnownPerson, roll: ReadonlySet<number>): Verdict {
  const personId = person.id;
  if (roll.has(personId)) return { what: 'there', why: 'On the roll already.', personId };
  if (person.isRetired)
    return wrong(
      `This is the address of ${person.name}, who is retired; the office can bring them back.`,
    );
  if (!person.isStudent) return wrong(`This is the address of ${person.name}, who teaches here.`);
  if (entry.name !== '' && plain(entry.name) !== plain(person.name))
    return { what: 'doubt', why: `The school knows this address as ${person.name}’s.`, personId };
  return { what: 'add', why: '', personId };
}

/** Of a line without an address: known by name alone, which is asked about; new ones come by name and have no account. */
function ofNameAlone(sameName: KnownPerson | undefined, others: List): Verdict {
  if (sameName && others.roll.has(sameName.id))
    return { what: 'there', why: 'On the roll already.', personId: sameName.id };
  if (sameName)
    return {
      what: 'doubt',
      why: `Is this the ${sameName.name} whom the school knows (${sameName.emails[0] ?? 'no address'})?`,
      personId: sameName.id,
    };
  if (others.hasAddresses)
    return { what: 'doubt', why: 'No address: without one they have no account.', personId: null };
  return { what: 'make', why: '', personId: null };
}

/** What counts for each line of a list. */
interface List {
  roll: ReadonlySet<number>;
  /** Where no line has an address, they are left out on purpose. */
  hasAddresses: boolean;
}

function ofUnknown(entry: RollListEntry, sameName: KnownPerson | undefined): Verdict {
  if (entry.name === '') return wrong('A name is missing.');
  if (sameName)
    return {
      what: 'doubt',
      why: `The school knows a ${sameName.name} by another address (${sameName.emails[0] ?? 'none'}).`,
      personId: null,
    };
  if (entry.isGuessed)
    return { what: 'doubt', why: 'Is the name the right way round?', personId: null };
  return { what: 'make', why: '', personId: null };
}

/**
 * What a list would do to a roll, line by line. Whoever is known by their address is that person; whoever is not is
 * new; what is not certain is asked about, never taken.
 */
export function planRoll(
  entries: RollListEntry[],
  known: KnownPerson[],
  onRoll: number[],
): RollLine[] {
  const byEmail = new Map(known.flatMap((p) => p.emails.map((e) => [e.toLowerCase(), p] as const)));
  const byName = new Map(
    known.filter((p) => p.isStudent && !p.isRetired).map((p) => [plain(p.name), p]),
  );
  const list = { roll: new Set(onRoll), hasAddresses: entries.some((e) => e.email !== '') };
  const seen = new Set<string>();
  return entries.map((entry) => {
    const { line, name, email } = entry;
    // Of people without an address the name is all that tells them apart.
    const mark = email === '' ? plain(name) : email;
    const said = flaw(entry, seen.has(mark));
    seen.add(mark);
    const person = byEmail.get(email);
    const decide = (): Verdict => {
      if (said !== null) return wrong(said);
      if (person) return ofKnown(entry, person, list.roll);
      if (email === '') return ofNameAlone(byName.get(plain(name)), list);
      return ofUnknown(entry, byName.get(plain(name)));
    };
    return { line, name: name || (person?.name ?? ''), email, ...decide() };
  });
}
