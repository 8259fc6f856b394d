/** A link to be taken along: what it is called, and its full address. */
export interface ShelfLink {
  title: string;
  address: string;
}

/** The links of one class period, in the order in which they stand there. */
export interface Shelf {
  /** `Coastal Navigation, period 3` */
  title: string;
  school: string;
  sections: { title: string; links: ShelfLink[] }[];
}

interface KnownLink {
  label: string;
  purpose: string;
  address: string;
  state: 'live' | 'retired';
  /** The one that the class period goes by. */
  main: boolean;
  /** All of the class period may read it. */
  isForAll: boolean;
}

/** What links without a purpose stand under. */
const SESSIONS = 'Sessions';

/**
 * The shelf of a class period: its links that work, by what they are for. Those that are for some of it alone only where
 * that is wished, since whoever is given the shelf reads all of it.
 */
export function shelfOf(
  { title, school }: Pick<Shelf, 'title' | 'school'>,
  links: readonly KnownLink[],
  { withOthers }: { withOthers: boolean },
): Shelf {
  const sections = new Map<string, ShelfLink[]>();
  for (const link of links) {
    if (link.state !== 'live' || !(link.isForAll || withOthers)) continue;
    const of = link.purpose.trim() || SESSIONS;
    const shown = { title: link.main ? title : link.label, address: link.address };
    sections.set(of, [...(sections.get(of) ?? []), shown]);
  }
  return {
    title,
    school,
    sections: [...sections].map(([of, found]) => ({ title: of, links: found })),
  };
}
