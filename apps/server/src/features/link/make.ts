import { randomBytes } from 'node:crypto';
import {
  LINK_CODE_BYTES,
  PRESETS,
  makeLinkCode,
  type PresetName,
  type RuleSetting,
} from '@glen/core';
import { isDuplicate } from '../../db/errors.js';
import type { Glen } from '../../glen.js';
import { writeAudience, type Audience } from '../audience/store.js';
import { heldLiveLinks, insertLink, type NewLink } from './store.js';

const CODE_TRIES = 5;

/** Tries fresh codes until the database takes one: that it has had one before is next to impossible, and would be noticed here. */
export async function withFreshCode<T>(take: (code: string) => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await take(makeLinkCode(randomBytes(LINK_CODE_BYTES)));
    } catch (error) {
      if (!isDuplicate(error) || tries === CODE_TRIES) throw error;
    }
  }
}

/** Gives a class period its lasting link, in the transaction that makes the class period. */
export const makeLink = (
  glen: Pick<Glen, 'db' | 'clock'>,
  classId: number,
  { label, kind }: { label: string; kind: RuleSetting['kind'] },
): Promise<{ id: number; code: string }> =>
  putLink(
    glen,
    { classId, label, purpose: label, kind, shown: true, rules: {} },
    { classIds: [classId], groupIds: [], personIds: [], guests: [] },
  );

/** A fresh link for one session alone: an evening with parents never has the everyday one. Called by its title, with a number where that is taken; for some people alone where they are given. */
export async function makeLinkFor(
  glen: Pick<Glen, 'db' | 'clock'>,
  classId: number,
  title: string,
  { personIds, preset }: { personIds?: number[] | undefined; preset?: PresetName | undefined } = {},
): Promise<number> {
  const taken = new Set((await heldLiveLinks(glen.db, classId)).map((l) => l.label.toLowerCase()));
  let label = title.slice(0, 76);
  for (let n = 2; taken.has(label.toLowerCase()); n++) label = `${title.slice(0, 72)} ${n}`;
  return (
    await putLink(
      glen,
      { classId, label, purpose: 'One session', shown: true, ...asPreset(preset) },
      personIds
        ? { classIds: [], groupIds: [], personIds, guests: [] }
        : { classIds: [classId], groupIds: [], personIds: [], guests: [] },
    )
  ).id;
}

/** What a link is for, and the rules that go with it. */
function asPreset(preset: PresetName | undefined): Pick<NewLink, 'kind' | 'rules'> {
  if (!preset) return { kind: 'lesson', rules: {} };
  const { kind, rules } = PRESETS[preset];
  return { kind, rules };
}

/** Makes a link with its code and its audience. */
export async function putLink(
  glen: Pick<Glen, 'db' | 'clock'>,
  link: Omit<NewLink, 'code' | 'madeAt'>,
  audience: Audience,
): Promise<{ id: number; code: string }> {
  return withFreshCode(async (code) => {
    const id = await insertLink(glen.db, { ...link, code, madeAt: glen.clock.school() });
    await writeAudience(glen.db, { linkId: id, now: glen.clock.machine() }, audience);
    return { id, code };
  });
}
