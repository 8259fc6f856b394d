import { USUAL_SLOTS, type PresetName } from '@glen/core';
import type { Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { hostsAs } from '../../http/access.js';
import { HttpProblem, notFound, wrongField } from '../../http/problem.js';
import { leftOutOf } from '../audience/store.js';
import { makeLinkFor } from '../link/make.js';
import { bringTogether } from '../link/share.js';
import { knownPeople, linkById } from '../link/store.js';
import { classById } from '../school/classes.sql.js';
import { readSchool, staffOf } from '../school/store.js';
import { beginWays } from '../slot/waysStore.js';
import { planOf, putOnBooks } from './occurrenceRows.js';
import type { Edited } from './reviseSeries.js';
import { sessionOfSeries } from './sessions.js';

/** A session, whose fresh link may be for a purpose of its own. */
type NewSession = Body<'addSession'> & { freshAs?: PresetName };

export async function addSession(
  glen: Glen,
  classId: number,
  by: number | null,
  body: NewSession,
): Promise<Edited> {
  const klass = await classById(glen.db, classId, by ?? 0);
  if (!klass) throw notFound('This class period');
  const { calendar } = await readSchool(glen.db);
  const { title, description, draft, undated } = body;
  const linkId = body.linkId ?? klass.link_id;
  const text = { title, description, draft, undated, words: {}, plan: planOf(body.plan, calendar) };
  if ((await linkById(glen.db, linkId))?.class_id !== classId)
    throw wrongField('linkId', 'This link belongs to another class period.');
  if (by !== null && (await leftOutOf(glen.db, by, [linkId])).size > 0)
    throw wrongField('linkId', 'This link is hosted by those alone who are named at it.');
  const freshFor = body.freshFor && (await besideHosts(glen, classId, body.freshFor));
  const id = await glen.db.transaction(async () => {
    const { freshAs: preset } = body;
    const fresh = body.freshLink
      ? await makeLinkFor(glen, classId, title, { personIds: freshFor, preset })
      : undefined;
    const seriesId = await putOnBooks(glen, { classId, linkId: fresh ?? linkId, by }, text, fresh);
    if (body.slots) await beginWays(glen.db, seriesId, { ...USUAL_SLOTS, ...body.slots });
    for (const other of body.together ?? [])
      await together(() =>
        bringTogether(
          glen,
          { linkId: fresh ?? linkId, classId: other, seriesId, ownDoor: 'leads' },
          by ?? 0,
        ),
      );
    return seriesId;
  });
  const session = await sessionOfSeries(glen, { seriesId: id }, by ?? 0);
  return { session, touched: [{ seriesId: id, version: 1 }] };
}

/** Those of some people whom a fresh link is to be for: hosts come by it as hosts. */
async function besideHosts(glen: Glen, classId: number, personIds: number[]): Promise<number[]> {
  const ids = [...new Set(personIds)];
  if ((await knownPeople(glen.db, ids)).length < ids.length)
    throw wrongField('freshFor', 'One of these people is not known.');
  const hosts = (await staffOf(glen.db, classId)).filter((one) => hostsAs(one.as));
  return ids.filter((one) => !hosts.some((host) => host.id === one));
}

/** What is wrong with who meets together stands beside that part of the sheet. */
async function together(work: () => Promise<void>): Promise<void> {
  try {
    await work();
  } catch (error) {
    if (error instanceof HttpProblem && error.more.errors)
      throw wrongField('together', error.more.errors[0]!.message);
    throw error;
  }
}
