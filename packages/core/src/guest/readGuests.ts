import { cleanName } from '../people/typedName.js';

/** A guest as typed or pasted: an address in small letters, and a name where one was given. */
interface ReadGuest {
  name: string;
  email: string;
}

interface ReadGuests {
  guests: ReadGuest[];
  /** Lines in which no single address stands, by their number from 1. */
  unread: { line: number; text: string }[];
}

const MOST_OF_NAME = 120;

/**
 * An address as mail takes it everywhere: letters, digits and signs of ASCII, a domain with a dot, no longer than can be
 * (RFC 5321, 4.1.2 and 4.5.3.1). Between it and what stands around it is a space, a bracket, a quote or a separator.
 */
const ADDRESS =
  /(?<=^|[\s<>"“”„',;:()[\]])[a-z0-9!#$%&*+/=?^_`{|}~.-]{1,64}@[a-z0-9.-]{1,188}\.[a-z]{2,63}(?=$|[\s<>"“”„',;:()[\]])/gi;

/** Separators and quotes around a name; an apostrophe within it stays. */
const AROUND = /^[\s"“”„'<>,;()-]+|[\s"“”„'<>,;()-]+$/g;

/** `Vane, Rasmus` as a list of names has it. */
const turned = (name: string): string => {
  const parts = name.split(',').map((part) => part.trim());
  return parts.length === 2 && parts.every(Boolean) ? `${parts[1]} ${parts[0]}` : name;
};

/** Addresses one after another in a line, as an address book gives them: `a <a@x.example>, b <b@x.example>; c@x.example`. */
const pieces = (line: string): string[] => {
  const found = [...line.matchAll(ADDRESS)];
  if (found.length < 2) return [line];
  let from = 0;
  return found.map((match) => {
    const end = match.index + match[0].length;
    const piece = line.slice(from, end);
    from = end;
    return piece;
  });
};

function readPiece(text: string): ReadGuest | undefined {
  const [address] = text.match(ADDRESS) ?? [];
  if (!address) return undefined;
  const beside = text.replace(address, ' ').replace(/\s+/g, ' ').replace(AROUND, '');
  const name = cleanName(turned(beside)).slice(0, MOST_OF_NAME).trim();
  return { name, email: address.toLowerCase() };
}

/**
 * Guests from what is typed or pasted: a line each, or many in a line, as `Rasmus Vane <rasmus@home.example>` (RFC 5322,
 * 3.4), name and address in two cells of a table, or an address alone. An address is taken once, with the first name.
 */
export function readGuests(text: string): ReadGuests {
  const byAddress = new Map<string, ReadGuest>();
  const unread: ReadGuests['unread'] = [];
  for (const [index, line] of text.split(/\r\n|[\n\r]/).entries()) {
    if (line.trim() === '') continue;
    const read = pieces(cleanName(line)).map(readPiece);
    if (read.includes(undefined)) unread.push({ line: index + 1, text: line.trim().slice(0, 80) });
    for (const guest of read) {
      if (!guest) continue;
      const known = byAddress.get(guest.email);
      if (!known || known.name === '') byAddress.set(guest.email, guest);
    }
  }
  return { guests: [...byAddress.values()], unread };
}
