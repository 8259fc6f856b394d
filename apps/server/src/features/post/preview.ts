import {
  emptyFields,
  fillLine,
  givesCode,
  renderPost,
  richOf,
  richToPlain,
  wallClockAt,
  type Delivery,
  type PostValues,
  type RichText,
} from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { rulesOfLinks } from '../entry/layers.js';
import { readSchool } from '../school/store.js';
import { belowAt } from './below.js';
import { bodyAt, sectionAt, textAt } from './bodies.js';
import { checkPlaces, type CheckedPlaces } from './checkPlaces.js';
import { deliveriesOf, factsFrom, valuesOf, type PostFacts } from './facts.js';
import { readersOf } from './readerStore.js';
import { placesFrom, textFrom, type Sent } from './sentPost.js';
import { type PlaceRow, type PostOccurrenceRow } from './places.sql.js';
import { wouldBePlaces, type PlaceText, type PostRow, type PostText } from './store.js';
import { whereOf } from './whereOf.js';

type Shown = Answer<'previewPost'>['places'][number];

/** What a post would do, before it is saved: when and how often at each place, who would read it, how it would look. */
export async function previewPost(
  glen: Glen,
  classId: number,
  by: number,
  body: Sent,
): Promise<Answer<'previewPost'>> {
  const [text, places] = await Promise.all([
    textFrom(glen, body),
    placesFrom(glen, classId, body.places),
  ]);
  const checked = await checkPlaces(glen, by, text, places);
  const { problems, foreign } = checked;
  // Of a class period or link that is somebody else's nothing is told, not even whether it asks for a code.
  const own = places.filter((_, i) => !foreign.has(i));
  const rules = await rulesOfLinks(
    glen.db,
    own.map((p) => p.linkId),
  );
  const asking = own.filter((p) => rules.get(p.linkId)!.rules.entryCode !== null);
  return {
    problems,
    asksCode: asking.length > 0,
    givesCode: asking.every((p) =>
      givesCode(textAt({ words: text.words, link_words: text.linkWords }, p.shape)),
    ),
    ...(await previewPlaces(glen, text, places, checked)),
  };
}

/** A post that is not saved, as a row. */
const unsaved = (text: PostText): PostRow => ({
  id: 0,
  class_id: 0,
  made_by: 0,
  by_name: '',
  words: text.words,
  link_words: text.linkWords,
  about: text.about,
  on_date: text.onDate,
  timing: text.timing,
  afterwards: text.afterwards,
  pinned: text.pinned,
  early: [],
  withdrawn: false,
  version: 1,
});

/** How a post would look and when it would go out, place by place; those that are somebody else's are left out. */
async function previewPlaces(
  glen: Glen,
  text: PostText,
  sent: PlaceText[],
  { problems, foreign }: CheckedPlaces,
): Promise<Pick<Answer<'previewPost'>, 'places' | 'readers'>> {
  const all = await wouldBePlaces(glen.db, sent);
  // A place that is not saved bears its index, from 1, as its id.
  const places = all.filter((place) => !foreign.has(place.id - 1));
  const wrong = new Set(problems.map((p) => Number(p.path.split('.')[1])));
  const post = unsaved(text);
  const { zone } = (await readSchool(glen.db)).calendar;
  const facts = await factsFrom(
    glen,
    { posts: [post], places, placements: [] },
    { now: glen.clock.school(), zone },
  );
  const due = deliveriesOf(facts, post).filter((d) => d.wanted === 'later' || d.wanted === 'out');
  const readers = await Promise.all(
    places.map((place) => (wrong.has(place.id - 1) ? [] : readersOf(glen.db, place))),
  );
  const filled = readers.filter((_, i) => places[i]!.kind !== 'by-hand').flat();
  return {
    readers: new Set(filled.map((reader) => reader.id)).size,
    places: places.map((place, i) => {
      const own = due.filter((d) => d.place === String(place.id));
      return { ...previewPlace(glen, facts, place, own), readerCount: readers[i]!.length };
    }),
  };
}

/** One place, with the first of its deliveries that are due or to come. */
function previewPlace(
  glen: Glen,
  facts: PostFacts,
  place: PlaceRow,
  deliveries: Delivery[],
): Omit<Shown, 'readerCount'> {
  const first = deliveries[0];
  const session = sessionOf(facts, place, first);
  const values = valuesOf(glen, facts, place, session);
  const heading = sectionAt(place, values);
  return {
    index: place.id - 1,
    classId: place.class_id,
    where: whereOf(place),
    linkLabel: place.link_label,
    whoMayEnter: facts.rules.get(place.link_id)!.rules.whoMayEnter,
    dates: deliveries.length,
    session: session && {
      title: session.title,
      date: session.local_date,
      time: session.local_time,
    },
    due: first?.due ? clockOf(first.due, facts.zone) : null,
    heading: heading?.kind === 'section' ? heading.title : null,
    address: values.address,
    isLetter: place.kind === 'mail',
    empty: emptyAt(facts.posts[0]!, place, values),
    ...lookAt(facts, { place, values, session, below: belowAt(glen, facts, place, session) }),
  };
}

const sessionOf = (
  facts: PostFacts,
  place: PlaceRow,
  delivery: Delivery | undefined,
): PostOccurrenceRow | null =>
  facts.occurrences.get(place.link_id)?.find((o) => String(o.id) === delivery?.occurrence) ?? null;

function clockOf(instant: string, zone: string): { date: string; time: string } {
  const { date, time } = wallClockAt(instant, zone);
  return { date, time };
}

/** The fields that have nothing to say at a place. */
function emptyAt(post: PostRow, { shape }: PlaceRow, values: PostValues): string[] {
  const { words, linkWords } = textAt(post, shape);
  const heading = shape.section && 'title' in shape.section ? shape.section.title : '';
  const all = [shape.title, richToPlain(richOf(words)), linkWords, heading];
  return emptyFields(all.join('\n'), values);
}

/** A post in each of its forms as it would stand at a place. */
function lookAt(
  facts: PostFacts,
  {
    place,
    values,
    session,
    below,
  }: {
    place: PlaceRow;
    values: PostValues;
    session: PostOccurrenceRow | null;
    below: RichText;
  },
): Pick<Shown, 'title' | 'html' | 'text' | 'markdown'> {
  const { kind, shape } = place;
  const post = facts.posts[0]!;
  const words = textAt(post, shape);
  // In a calendar and on a course page the link stands beside the words, unless it is wished among them.
  const beside = kind === 'calendar' || (kind === 'item' && !shape.inText);
  const body =
    kind === 'item'
      ? bodyAt({
          post,
          place,
          values,
          session,
          keeper: place.id,
          notice: null,
          isOff: false,
          struck: false,
          readers: null,
          below,
        })
      : null;
  const isTitled = beside || kind === 'mail' || body?.kind === 'item';
  return {
    title: isTitled ? fillLine(shape.title || words.linkWords, values) || values.address : null,
    html: renderPost(words, values, 'html', { linkAtEnd: !beside, below }),
    text: renderPost(words, values, 'text', { below }),
    markdown: renderPost(words, values, 'markdown', { below }),
  };
}
