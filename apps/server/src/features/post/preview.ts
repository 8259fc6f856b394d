import { fillLine, renderPost, wallClockAt } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { readSchool } from '../school/store.js';
import { bodyAt, sectionAt } from './bodies.js';
import { whereOf } from './describe.js';
import { deliveriesOf, factsFrom, valuesOf } from './facts.js';
import { readersOf, wouldBePlaces, type PlaceText, type PostRow, type PostText } from './store.js';

type Shown = Answer<'previewPost'>['places'][number];

/** How a post would look and when it would go out, place by place; those that are somebody else's are left out. */
export async function previewPlaces(
  glen: Glen,
  text: PostText,
  sent: PlaceText[],
  { wrong, foreign }: { wrong: Set<number>; foreign: Set<number> },
): Promise<Shown[]> {
  const all = await wouldBePlaces(glen.db, sent);
  const places = all.filter((place) => !foreign.has(place.id - 1));
  const post: PostRow = {
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
    pinned: text.pinned ? 1 : 0,
    early: [],
    withdrawn: 0,
    version: 1,
  };
  const {
    calendar: { zone },
  } = await readSchool(glen.db);
  const facts = await factsFrom(
    glen,
    { posts: [post], places, placements: [] },
    { now: glen.clock.school(), zone },
  );
  const deliveries = deliveriesOf(facts, post).filter(
    (d) => d.wanted === 'later' || d.wanted === 'out',
  );
  const clock = (instant: string): { date: string; time: string } => {
    const { date, time } = wallClockAt(instant, zone);
    return { date, time };
  };
  return Promise.all(
    places.map(async (place): Promise<Shown> => {
      const own = deliveries.filter((d) => d.place === String(place.id));
      const first = own[0];
      const session =
        facts.occurrences.get(place.link_id)?.find((o) => String(o.id) === first?.occurrence) ??
        null;
      const values = valuesOf(glen, facts, place, session);
      const readers = wrong.has(place.id - 1) ? [] : await readersOf(glen.db, place);
      const heading = sectionAt(place, values);
      const body =
        place.kind === 'item'
          ? bodyAt({ post, place, values, session, struck: false, readers: null })
          : null;
      const words = { words: place.shape.words ?? post.words, linkWords: post.link_words };
      const beside = place.kind === 'calendar' || (place.kind === 'item' && !place.shape.inText);
      return {
        index: place.id - 1,
        classId: place.class_id,
        where: whereOf(place),
        linkLabel: place.link_label,
        readerCount: readers.length,
        dates: own.length,
        session: session && {
          title: session.title,
          date: session.local_date,
          time: session.local_time,
        },
        due: first?.due ? clock(first.due) : null,
        heading: heading?.kind === 'section' ? heading.title : null,
        title:
          beside || body?.kind === 'item'
            ? fillLine(place.shape.title || post.link_words, values) || values.address
            : null,
        address: values.address,
        html: renderPost(words, values, 'html', { linkAtEnd: !beside }),
        text: renderPost(words, values, 'text'),
        markdown: renderPost(words, values, 'markdown'),
      };
    }),
  );
}
