import { PRESETS, type EntryRules } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { linkHostsOf, writeAudience, writeHosts } from '../audience/store.js';
import { mainLinksOf } from '../school/classes.sql.js';
import { announceLink } from './announce.js';
import { changeLink } from './change.js';
import { describeLink } from './describe.js';
import { putLink } from './make.js';
import { mustNotNameThemselves } from '../school/naming.js';
import { settleAudience } from './settleAudience.js';
import { heldLinksOfClasses, heldLiveLinks, linkById, setPlace } from './store.js';

/** Two live links of one name in a class period could not be told apart. */
async function checkLabel(
  glen: Glen,
  classId: number,
  label: string,
  except: number | null,
): Promise<void> {
  const same = (await heldLiveLinks(glen.db, classId)).find(
    (l) => l.id !== except && l.label.trim().toLowerCase() === label.trim().toLowerCase(),
  );
  if (same)
    throw wrongField('label', `This class period has a link called “${same.label}” already.`);
}

export async function addLink(
  glen: Glen,
  classId: number,
  who: Who,
  body: Body<'addLink'>,
): Promise<Answer<'addLink'>> {
  const by = who.person!.id;
  const audience = await settleAudience(
    glen,
    classId,
    body.audience ?? {
      classIds: [classId],
      groupIds: [],
      personIds: [],
      guests: [],
      hostIds: [],
      hostedBy: 'class',
    },
    by,
  );
  const named = audience.hostIds;
  await mustNotNameThemselves(glen.db, { classId, by, named, path: 'audience.hostIds' });
  const rules: Partial<EntryRules> = body.preset ? PRESETS[body.preset].rules : {};
  const id = await glen.db.transaction(async () => {
    await checkLabel(glen, classId, body.label, null);
    const link = await putLink(
      glen,
      {
        classId,
        label: body.label,
        purpose: body.purpose,
        kind: body.kind,
        shown: body.shown,
        rules,
      },
      audience,
    );
    await writeHosts(glen.db, link.id, audience);
    await glen.audit({ by, action: 'add-link', subject: `link:${link.id}`, after: body });
    await announceLink(glen, { id: link.id, class_id: classId });
    return link.id;
  });
  return describeLink(glen, id, who);
}

export const editLink = (
  glen: Glen,
  linkId: number,
  who: Who,
  body: Body<'editLink'>,
): Promise<Answer<'editLink'>> =>
  changeLink(glen, who, { linkId, version: body.version, action: 'edit-link' }, async (link) => {
    if (link.state === 'live') await checkLabel(glen, link.class_id, body.label, linkId);
    return {
      columns: {
        label: body.label,
        purpose: body.purpose,
        kind: body.kind,
        shown: body.shown,
      },
    };
  });

export async function setAudience(
  glen: Glen,
  linkId: number,
  who: Who,
  body: Body<'setAudience'>,
): Promise<Answer<'setAudience'>> {
  const { class_id: classId } = (await linkById(glen.db, linkId))!;
  const by = who.person!.id;
  const audience = await settleAudience(glen, classId, body, by);
  const hosts = (await linkHostsOf(glen.db, [linkId])).map((host) => host.id);
  const named = audience.hostIds.filter((id) => !hosts.includes(id));
  await mustNotNameThemselves(glen.db, { classId, by, named, path: 'hostIds' });
  const main = (await mainLinksOf(glen.db, [classId])).get(classId);
  if (main === linkId && !audience.classIds.includes(classId))
    throw wrongField(
      'classIds',
      'This is the link that the whole class period goes by. Make another link for a part of it.',
    );
  if (main === linkId && audience.hostedBy === 'named')
    throw wrongField(
      'hostedBy',
      'This is the link that the whole class period goes by: its teachers host it.',
    );
  return changeLink(
    glen,
    who,
    { linkId, version: body.version, action: 'set-audience' },
    async (_link) => {
      await writeAudience(glen.db, { linkId, now: glen.clock.machine() }, audience);
      await writeHosts(glen.db, linkId, audience);
      return { after: audience };
    },
  );
}

/** The class period's links in this order; links it does not name stay behind them in theirs. */
export async function orderLinks(
  glen: Glen,
  classId: number,
  by: number,
  order: number[],
): Promise<void> {
  await glen.db.transaction(async () => {
    const rows = await heldLinksOfClasses(glen.db, [classId]);
    const known = rows.map((row) => row.id);
    if (order.some((id) => !known.includes(id)))
      throw wrongField('order', 'One of these links belongs to another class period.');
    const whole = [...new Set([...order, ...known])];
    for (const [place, id] of whole.entries()) await setPlace(glen.db, id, classId, place);
    await glen.audit({
      by,
      action: 'order-links',
      subject: `class:${classId}`,
      before: known,
      after: whole,
    });
    await glen.announce(`class:${classId}`, { thing: 'classes', id: classId });
  });
}

export const stopLink = (
  glen: Glen,
  linkId: number,
  who: Who,
  version: number,
): Promise<Answer<'stopLink'>> =>
  changeLink(glen, who, { linkId, version, action: 'stop-link' }, async (link) => {
    if (link.state === 'retired') throw new HttpProblem(409, 'This link has been stopped already.');
    return { columns: { state: 'retired' } };
  });

export const reopenLink = (
  glen: Glen,
  linkId: number,
  who: Who,
  version: number,
): Promise<Answer<'reopenLink'>> =>
  changeLink(glen, who, { linkId, version, action: 'reopen-link' }, async (link) => {
    await checkLabel(glen, link.class_id, link.label, linkId);
    return { columns: { state: 'live' } };
  });
