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

async function followInClasses(db: Db, wanted: Place[], now: Place[]): Promise<Place[]> {
  const [gone, fresh] = [without(now, wanted), without(wanted, now)];
  for (const place of gone) {
    await keepInside(db, place.personId, { class_id: place.at });
    await endInClass(db, place);
  }
  for (const place of fresh) await beginInClass(db, place);
  const changed = [...gone, ...fresh];
  await followClasses(db, numbers(changed));
  return changed;
}

async function followAtLinks(db: Db, wanted: Place[], now: Place[]): Promise<Place[]> {
  const [gone, fresh] = [without(now, wanted), without(wanted, now)];
  for (const place of gone) {
    await keepInside(db, place.personId, { id: place.at });
    await endAtLink(db, place);
  }
  for (const place of fresh) await beginAtLink(db, place);
  const changed = [...gone, ...fresh];
  await followLinks(db, numbers(changed));
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
  const classes = await followInClasses(glen.db, wanted.classes, now.classes);
  const links = await followAtLinks(glen.db, wanted.links, now.links);
  for (const { at: id } of classes) await glen.announce(`class:${id}`, { thing: 'class', id });
  for (const { at: id, personId } of [...classes, ...links])
    await glen.announce(`person:${personId}`, { thing: 'classes', id });
}
