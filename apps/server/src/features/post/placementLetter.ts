import { fillLine } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound } from '../../http/problem.js';
import { letterFile } from '../../outside/letterFile.js';
import { recipients } from '../mail/postLetterStore.js';
import { mailAddressOf } from '../mail/store.js';
import { textAt } from './bodies.js';
import { factsOf, valuesOf } from './facts.js';
import { placementById } from './placements.sql.js';
import { readersOf } from './readerStore.js';
import { authorOf } from './store.js';

/**
 * What is to be pasted at a place filled by hand as a letter for one's own mail program: to oneself, and unseen by one
 * another to all of the class period.
 */
export async function placementLetter(glen: Glen, id: number): Promise<Answer<'placementLetter'>> {
  const row = await placementById(glen.db, id);
  if (!row || row.body.kind !== 'hand') throw notFound('This placement');
  const facts = await factsOf(glen, [row.post_id]);
  const place = facts.places.find((one) => one.id === row.place_id)!;
  const session = facts.occurrences.get(place.link_id)?.find((o) => o.id === row.occurrence_id);
  const { linkWords } = textAt(facts.posts[0]!, place.shape);
  const subject = fillLine(linkWords, valuesOf(glen, facts, place, session ?? null));
  const author = await authorOf(glen.db, row.post_id);
  const own = author && (await mailAddressOf(glen.db, author.id));
  const from = author && own ? { name: author.name, address: own } : null;
  const readers = await readersOf(glen.db, place);
  const people = await recipients(
    glen.db,
    readers.map((reader) => reader.id),
  );
  const eml = await letterFile({
    from,
    to: from ? [from] : [],
    unseen: people.flatMap(({ name, email }) => (email === null ? [] : [{ name, address: email }])),
    subject: subject || place.class_title,
    text: row.body.text,
    html: row.body.html,
  });
  return { eml };
}
