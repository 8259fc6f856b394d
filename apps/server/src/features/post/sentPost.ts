import { GlenInputError, placeWallTime, planPosts, type PostTiming } from '@glen/core';
import type { Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { wrongField } from '../../http/problem.js';
import { mainLinksOf } from '../school/classes.sql.js';
import { readSchool } from '../school/store.js';
import type { PlaceShape, PlaceText, PostText } from './store.js';

/** A post as it comes in. */
export type Sent = Body<'addPost'>;

const ALL_OF_THE_CLASS: Required<Omit<PlaceShape, 'order'>> = {
  readers: 'class',
  words: null,
  linkWords: '',
  title: '',
  section: null,
  position: 0,
  inText: false,
  newTab: true,
  name: '',
  withCalendar: false,
  withAfterLessons: false,
};

async function timingOf(glen: Glen, timing: Sent['timing']): Promise<PostTiming> {
  if (timing === 'now' || timing === 'draft') return { kind: timing };
  if ('before' in timing) return { kind: 'before', minutes: timing.before };
  if ('morning' in timing) return { kind: 'morning', time: timing.morning };
  return {
    kind: 'at',
    at: placeWallTime(timing.at.date, timing.at.time, 0, (await readSchool(glen.db)).calendar.zone)
      .start,
  };
}

/** The places as they are kept; a link that is not named is the one that the class period goes by. */
export async function placesFrom(
  glen: Glen,
  classId: number,
  sent: Sent['places'],
): Promise<PlaceText[]> {
  const places = sent ?? [{ classId, kind: 'stream' as const, ...ALL_OF_THE_CLASS }];
  const main = await mainLinksOf(
    glen.db,
    places.map((p) => p.classId),
  );
  return places.map(({ id, classId: of, linkId, kind, ...shape }, i) => {
    const link = linkId ?? main.get(of);
    if (link === undefined)
      throw wrongField(`places.${i}.classId`, 'There is no such class period.');
    return { ...(id === undefined ? {} : { id }), classId: of, linkId: link, kind, shape };
  });
}

/** The core says what timings have no meaning; its words are shown beside the field. */
function checkPlan(post: PostText, zone: string): void {
  try {
    planPosts(
      {
        id: '0',
        places: [],
        about: post.about,
        timing: post.timing,
        zone,
        afterwards: post.afterwards,
        withdrawn: false,
      },
      [],
      '2026-01-01T00:00:00Z',
    );
  } catch (error) {
    if (error instanceof GlenInputError) throw wrongField('timing', error.message);
    throw error;
  }
}

export async function textFrom(glen: Glen, body: Sent): Promise<PostText> {
  const on = typeof body.about === 'object' ? body.about.on : null;
  const text: PostText = {
    words: body.words,
    linkWords: body.linkWords,
    about: body.about === 'link' ? 'link' : 'sessions',
    onDate: on,
    timing: await timingOf(glen, body.timing),
    afterwards: body.afterwards,
    pinned: body.pinned,
    withdrawn: false,
  };
  checkPlan(text, (await readSchool(glen.db)).calendar.zone);
  return text;
}
