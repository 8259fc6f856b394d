import { givesCode, typesCode } from '@glen/core';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import { rulesOfLink } from '../entry/layers.js';
import { groupsOf } from '../group/store.js';
import { peopleOfLink } from '../audience/store.js';
import { textAt } from './bodies.js';
import { beyondAudience, readersOf } from './readerStore.js';
import { hostedOf, linkForPost, type PlaceText, type PostText } from './store.js';

type Text = Pick<PostText, 'words' | 'linkWords' | 'about'>;
type Wrong = [field: string, message: string];

export interface CheckedPlaces {
  /** Each at most once a place, as `places.2.linkId` with its message. */
  problems: { path: string; message: string }[];
  /** Places, by their index, of a class period or link that is somebody else's: nothing of them is told. */
  foreign: Set<number>;
}

const named = (people: { name: string }[]): string => {
  const shown = people
    .slice(0, 3)
    .map((p) => p.name)
    .join(', ');
  return people.length > 3 ? `${shown} and ${people.length - 3} more` : shown;
};

/** What is not the writer's to post, or to post there. */
async function foreignPart(
  glen: Glen,
  by: number,
  place: PlaceText,
  hosted: Set<number>,
): Promise<Wrong | null> {
  if (!hosted.has(place.classId)) return ['classId', 'You do not host this class period.'];
  const link = await linkForPost(glen.db, place.linkId, by);
  return link?.host ? null : ['linkId', 'This link is not yours to post.'];
}

/** What cannot be at a place at all. */
async function impossiblePart(
  glen: Glen,
  by: number,
  post: Text,
  place: PlaceText,
): Promise<Wrong | null> {
  const { kind, shape } = place;
  if (kind === 'mail' && !glen.mail)
    return ['kind', 'No mail service is set up here: let it be a place that you fill by hand.'];
  if (kind !== 'by-hand' && kind !== 'mail' && !glen.courseSite)
    return ['kind', 'No course site is set up here: let it be a place that you fill by hand.'];
  if (kind === 'calendar' && post.about === 'link')
    return ['kind', 'A calendar holds sessions: let the post be about sessions.'];
  if (kind === 'item' && shape.section === null)
    return ['section', 'Choose a section, or make one.'];
  const link = await linkForPost(glen.db, place.linkId, by);
  if (link?.state === 'retired')
    return ['linkId', 'This link has been stopped; nobody gets in by it.'];
  if (typeof shape.readers === 'object') {
    const { groupId } = shape.readers;
    const groups = await groupsOf(glen.db, place.classId);
    if (!groups.some((g) => g.id === groupId))
      return ['readers', 'This group is not here any more.'];
  }
  return null;
}

/** What would let people read a private link, or an entry code, that is not for them. */
async function leak(glen: Glen, post: Text, place: PlaceText): Promise<Wrong | null> {
  const { classId, linkId, shape } = place;
  const readers = await readersOf(glen.db, { class_id: classId, link_id: linkId, shape });
  if (readers.length === 0 && shape.readers !== 'class')
    return ['readers', 'Nobody of this class period would see it.'];
  const beyond = beyondAudience(readers, await peopleOfLink(glen.db, linkId));
  if (beyond.length === 0) return null;
  const { rules } = await rulesOfLink(glen.db, linkId);
  const text = textAt({ words: post.words, link_words: post.linkWords }, shape);
  const code = rules.entryCode;
  if (code !== null && (givesCode(text) || typesCode(text, code)))
    return [
      'readers',
      `The entry code would be seen by ${named(beyond)}, whom this link is not for.`,
    ];
  return rules.whoMayEnter === 'invited' || rules.whoMayEnter === 'roll'
    ? ['readers', `This link would be seen by ${named(beyond)}, whom it is not for.`]
    : null;
}

/** What is wrong with the places of a post, as far as whoever writes it may know. */
export async function checkPlaces(
  glen: Glen,
  by: number,
  post: Text,
  places: PlaceText[],
): Promise<CheckedPlaces> {
  const hosted = await hostedOf(
    glen.db,
    by,
    places.map((p) => p.classId),
  );
  const foreign = new Set<number>();
  const found = await Promise.all(
    places.map(async (place, i) => {
      const notTheirs = await foreignPart(glen, by, place, hosted);
      if (notTheirs) foreign.add(i);
      return (
        notTheirs ??
        (await impossiblePart(glen, by, post, place)) ??
        (await leak(glen, post, place))
      );
    }),
  );
  const problems = found.flatMap((wrong, i) =>
    wrong ? [{ path: `places.${i}.${wrong[0]}`, message: wrong[1] }] : [],
  );
  return { problems, foreign };
}

export async function refuseWrongPlaces(
  glen: Glen,
  by: number,
  post: Text,
  places: PlaceText[],
): Promise<void> {
  const { problems } = await checkPlaces(glen, by, post, places);
  if (problems.length > 0)
    throw new HttpProblem(422, 'Something needs mending.', { errors: problems });
}
