import { whoCovers, type Cover } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { Glen } from '../../glen.js';
import { schoolDate } from '../../http/helperStore.js';
import { followClasses, followLinks } from '../audience/linkPeople.js';
import {
  beginAtLink,
  beginInClass,
  classesHosted,
  endAtLink,
  endInClass,
  keepInside,
  linksHosted,
  placesCovered,
  type Place,
} from './coveringStore.js';
import { coversFrom } from './store.js';

const keyOf = ({ at, personId }: { at: number; personId: number }): string => `${at} ${personId}`;

type Hosted = (db: Db, personIds: number[]) => Promise<{ at: number; personId: number }[]>;

/** Where whoever covers on a date is to be host: everywhere that those whom they cover host by themselves, and they do not. */
async function placesFor(
  db: Db,
  covers: Cover[],
  { date, hosted }: { date: string; hosted: Hosted },
): Promise<Place[]> {
  const covering = whoCovers(covers, date);
  const absent = [...covering.values()].flat().map((one) => one.absentId);
  const own = await hosted(db, [...new Set([...absent, ...covering.keys()])]);
  const theirs = new Set(own.map(keyOf));
  const places = new Map<string, Place>();
  for (const [personId, covered] of covering)
    for (const { absentId, coverId } of covered)
      for (const { at } of own.filter((one) => one.personId === absentId)) {
        const place = { at, personId, coverId };
        const key = keyOf(place);
        if (!theirs.has(key) && !places.has(key)) places.set(key, place);
      }
  return [...places.values()];
}

/** Of two lists of places, what the one has that the other has not. */
function without(places: Place[], others: Place[]): Place[] {
  const keys = new Set(others.map((one) => `${keyOf(one)} ${one.coverId}`));
  return places.filter((one) => !keys.has(`${keyOf(one)} ${one.coverId}`));
}

const numbers = (places: Place[]): number[] => [...new Set(places.map((one) => one.at))];

/** How whoever covers comes to a place, and leaves it. */
interface Kind {
  begin: (db: Db, place: Place) => Promise<void>;
  end: (db: Db, place: Place) => Promise<void>;
  /** The links at a place. */
  linksAt: (at: number) => Parameters<typeof keepInside>[2];
  follow: (db: Db, ids: number[]) => Promise<void>;
}

const IN_CLASSES: Kind = {
  begin: beginInClass,
  end: endInClass,
  linksAt: (class_id) => ({ class_id }),
  follow: followClasses,
};
const AT_LINKS: Kind = {
  begin: beginAtLink,
  end: endAtLink,
  linksAt: (id) => ({ id }),
  follow: followLinks,
};

/** Has it be as wanted; gives where it was not. */
async function bringTo(
  db: Db,
  { begin, end, linksAt, follow }: Kind,
  { wanted, now }: { wanted: Place[]; now: Place[] },
): Promise<Place[]> {
  const [gone, fresh] = [without(now, wanted), without(wanted, now)];
  for (const place of gone) {
    await keepInside(db, place.personId, linksAt(place.at));
    await end(db, place);
  }
  for (const place of fresh) await begin(db, place);
  const changed = [...gone, ...fresh];
  await follow(db, numbers(changed));
  return changed;
}

interface Difference {
  wanted: { classes: Place[]; links: Place[] };
  now: { classes: Place[]; links: Place[] };
}

const differ = ({ wanted, now }: Difference): boolean =>
  (['classes', 'links'] as const).some(
    (kind) =>
      without(wanted[kind], now[kind]).length > 0 || without(now[kind], wanted[kind]).length > 0,
  );

/** Where anybody is host for a cover, and where they are to be today. */
async function look(glen: Glen): Promise<Difference> {
  const { db } = glen;
  const date = await schoolDate(glen);
  const covers = await coversFrom(db, date);
  const now = await placesCovered(db);
  const [classes, links] = [
    await placesFor(db, covers, { date, hosted: classesHosted }),
    await placesFor(db, covers, { date, hosted: linksHosted }),
  ];
  return { wanted: { classes, links }, now };
}

/**
 * Has covers hold as of now: whose days have come host, whose days are over do no longer. Any number of processes may; one
 * does it at a time. Not to be asked for within a transaction, as what it goes by must be written.
 */
export async function followCovers(glen: Glen): Promise<void> {
  if (!differ(await look(glen))) return;
  const { db } = glen;
  await db.withLock('glen-covers', () => db.transaction(() => bringInLine(glen)), {
    waitSeconds: 10,
  });
}

async function bringInLine(glen: Glen): Promise<void> {
  const { wanted, now } = await look(glen);
  const inClasses = { wanted: wanted.classes, now: now.classes };
  const atLinks = { wanted: wanted.links, now: now.links };
  const classes = await bringTo(glen.db, IN_CLASSES, inClasses);
  const links = await bringTo(glen.db, AT_LINKS, atLinks);
  for (const { at: id } of classes) await glen.announce(`class:${id}`, { thing: 'class', id });
  for (const { at: id, personId } of [...classes, ...links])
    await glen.announce(`person:${personId}`, { thing: 'classes', id });
}
