import { givesCode, type RuleSetting } from '@glen/core';
import type { Glen } from '../../glen.js';
import { notFound } from '../../http/problem.js';
import { roomRulesHeld } from '../../outside/videoService.js';
import { audienceSizes } from '../audience/store.js';
import { standingPlaces } from './standing.sql.js';
import { settingFacts } from './store.js';

/** What a link's rules are for, and where it stands. */
export async function settingOf(
  glen: Pick<Glen, 'db' | 'video'>,
  linkId: number,
): Promise<RuleSetting> {
  const [facts, places, sizes] = await Promise.all([
    settingFacts(glen.db, linkId),
    standingPlaces(glen.db, linkId),
    audienceSizes(glen.db, [linkId]),
  ]);
  if (!facts) throw notFound('This link');
  return {
    kind: facts.kind,
    guests: facts.kind === 'event',
    namedCount: Number(facts.named),
    roll: sizes.get(linkId) ?? 0,
    holds: facts.pasted ? [] : roomRulesHeld(glen),
    placements: places.map((p) => ({
      hasCode: givesCode({ words: p.words, linkWords: p.link_words }),
      readersBeyondAudience: p.beyond,
    })),
  };
}

/** The setting of rules that are for no link alone: a school's, or a teacher's own defaults. */
export const anyLesson = (glen: Pick<Glen, 'video'>): RuleSetting => ({
  kind: 'lesson',
  guests: false,
  namedCount: 0,
  roll: 0,
  holds: roomRulesHeld(glen),
  placements: [],
});
