import { addDays, classTitle, countStood, termByWeek, wallClockAt, type Stood } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { readSchool } from '../school/store.js';
import { namesOf } from './measureStore.js';
import { readableBy } from './readable.js';
import { classesByIds } from './store.js';
import { readWays } from './waysStore.js';
import { askedBy } from './week.js';
import {
  datesOf,
  peopleOfDays,
  seriesOfPerson,
  type OfWhom,
  type PersonAtDate,
} from './weekStore.js';

/** Where no term has begun. */
const LATELY_DAYS = 60;

type Term = Answer<'personTerm'>['term'];

/** The term that it is, or was last, as far as it has gone. */
async function termNow(glen: Glen): Promise<Term> {
  const { calendar } = await readSchool(glen.db);
  const { date: today } = wallClockAt(glen.clock.school(), calendar.zone);
  const begun = calendar.terms.filter(({ first }) => first <= today);
  const term = begun.at(-1);
  if (!term) return { name: 'Lately', from: addDays(today, -LATELY_DAYS), until: today };
  const { name, first, last } = term;
  return { name, from: first, until: last < today ? last : today };
}

const stood = ({ date, stands, late }: PersonAtDate): Stood => ({
  date: date.local_date,
  stands,
  late,
});

/** How all, or one, stood this term at sessions whose registers somebody may read. */
async function stoodInTerm(
  glen: Glen,
  term: Term,
  { readerId, personId, ...of }: OfWhom & { readerId: number; personId?: number },
): Promise<PersonAtDate[]> {
  const theirs =
    personId === undefined ? {} : { seriesIds: await seriesOfPerson(glen.db, personId) };
  const all = await datesOf(glen.db, term, { ...of, ...theirs });
  const dates = await readableBy(glen.db, all, readerId);
  return peopleOfDays(glen.db, dates, personId);
}

async function termOf(
  glen: Glen,
  personId: number,
  { readerId, ...of }: OfWhom & { readerId: number },
): Promise<Answer<'personTerm'>> {
  const term = await termNow(glen);
  const [rows, names] = await Promise.all([
    stoodInTerm(glen, term, { ...of, readerId, personId }),
    namesOf(glen.db, [personId]),
  ]);
  const name = names.get(personId);
  if (name === undefined) throw notFound('This person');
  const classes = await classesByIds(glen.db, [...new Set(rows.map(({ date }) => date.class_id))]);
  return {
    name,
    term,
    weeks: termByWeek(rows.map(stood), term),
    classes: classes.map((one) => ({
      id: one.id,
      title: classTitle(one),
      ...countStood(rows.filter(({ date }) => date.class_id === one.id).map(stood)),
    })),
  };
}

/** How somebody stood this term at what whoever asks may know of. */
export const personTerm = (glen: Glen, personId: number, who: Who): Promise<Answer<'personTerm'>> =>
  termOf(glen, personId, { ...askedBy(who), readerId: who.person!.id });

/** How one stood oneself, where the school shows it. */
export async function ownTerm(glen: Glen, personId: number | null): Promise<Answer<'ownTerm'>> {
  const { seenBy, keptDays } = await readWays(glen.db);
  const isShown = seenBy === 'own' && personId !== null;
  return {
    shown: isShown ? await termOf(glen, personId, { hostId: null, readerId: personId }) : null,
    keptDays,
  };
}

/** How those of a class period stood this term. */
export async function classTerm(
  glen: Glen,
  classId: number,
  who: Who,
): Promise<Answer<'classTerm'>> {
  const term = await termNow(glen);
  const of = { ...askedBy(who), classIds: [classId], readerId: who.person!.id };
  const [rows, [one]] = await Promise.all([
    stoodInTerm(glen, term, of),
    classesByIds(glen.db, [classId]),
  ]);
  const byPerson = new Map<number, PersonAtDate[]>();
  for (const row of rows) {
    const own = byPerson.get(row.personId);
    if (own) own.push(row);
    else byPerson.set(row.personId, [row]);
  }
  const names = await namesOf(glen.db, [...byPerson.keys()]);
  const people = [...byPerson].map(([id, own]) => ({
    id,
    name: names.get(id) ?? '',
    weeks: termByWeek(own.map(stood), term),
  }));
  return {
    title: classTitle(one!),
    term,
    people: people.sort((a, b) => a.name.localeCompare(b.name) || a.id - b.id),
  };
}
