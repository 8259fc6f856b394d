import {
  classTitle,
  holdsForInWords,
  lookedAt,
  roomChecks,
  rulesToSetByHand,
  type EntryRules,
} from '@glen/core';
import type { Answer, LinkDetail } from '@glen/contract';
import { linkAddress } from '../../addresses.js';
import { roomRulesHeld } from '../../outside/videoService.js';
import type { Glen } from '../../glen.js';
import { notFound } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { rulesOfLinks } from '../entry/layers.js';
import { mayChange } from '../school/classItem.js';
import { guestCounts, standingGuests } from '../audience/guestStore.js';
import { audienceOf, audienceSizes, linkHostsOf, type AudienceRow } from '../audience/store.js';
import { describePresenters } from './presentersShown.js';
import { sharesOf, type ShareRow } from './shareStore.js';
import { listLinks, nextOfLinks, type ListedLink, type WhichLinks } from './lists.sql.js';
import { codesOf, isRunning, usedSince } from './store.js';

const audienceItem = (row: AudienceRow): LinkDetail['audience'][number] => {
  if (row.class_id !== null)
    return {
      kind: 'class',
      id: row.class_id,
      name: classTitle({ title: row.class_title!, period: row.period }),
      size: row.class_size!,
    };
  if (row.group_id !== null)
    return { kind: 'group', id: row.group_id, name: row.group_name!, size: row.group_size! };
  return { kind: 'person', id: row.person_id!, name: row.person_name! };
};

type Guests = Awaited<ReturnType<typeof standingGuests>>;

const guestItem = ({ email, name, comes }: Guests[number]) => ({
  kind: 'guest' as const,
  email,
  name,
  comes,
});

/** What a list of links needs beside their rows. */
async function around(glen: Glen, ids: number[]) {
  const [audience, guests, guestSizes, sizes, hosts, rules, next] = await Promise.all([
    audienceOf(glen.db, ids),
    standingGuests(glen.db, ids),
    guestCounts(glen.db, ids),
    audienceSizes(glen.db, ids),
    linkHostsOf(glen.db, ids),
    rulesOfLinks(glen.db, ids),
    nextOfLinks(glen.db, ids, glen.clock.school()),
  ]);
  const nextOf = new Map(next.map((row) => [row.link_id, row]));
  return { audience, guests, guestSizes, sizes, hosts, rules, next: nextOf };
}

type Around = Awaited<ReturnType<typeof around>>;

/** The rules in force at a link, as far as a list of links tells them, and those that a person must set by hand. */
function rulesPart(glen: Glen, l: ListedLink, { rules }: Around) {
  const { rules: inForce, layers } = rules.get(l.id)!;
  const holds = l.room_address === null ? roomRulesHeld(glen) : [];
  const { whoMayEnter, straightIn, withoutHost, entryCode } = inForce;
  return {
    rules: { whoMayEnter, straightIn, withoutHost, asksCode: entryCode !== null },
    ownRules: Object.keys(layers.at(-1)!.rules).length,
    holds,
    byHand: rulesToSetByHand(inForce, holds),
    lookedAt: roomPart(l, inForce),
  };
}

/** What is to be looked at in a room that a host gave, and what has been. */
function roomPart(l: ListedLink, inForce: EntryRules): LinkDetail['lookedAt'] {
  if (l.room_address === null) return null;
  const { ticked, powers } = lookedAt(l.room_looked_at, l.room_address);
  const checks = roomChecks(inForce).map((check) => ({
    ...check,
    done: ticked.includes(check.key),
  }));
  return { checks, powers };
}

function peoplePart(l: ListedLink, { audience, guests, guestSizes, sizes, hosts }: Around) {
  return {
    audience: [
      ...audience.filter((a) => a.link_id === l.id).map(audienceItem),
      ...guests.filter((guest) => guest.link_id === l.id).map(guestItem),
    ],
    audienceSize: sizes.get(l.id) ?? 0,
    guestCount: guestSizes.get(l.id) ?? 0,
    hosts: hosts.filter((h) => h.link_id === l.id).map(({ id, name }) => ({ id, name })),
  };
}

function nextPart(l: ListedLink, { next }: Around): LinkDetail['next'] {
  const row = next.get(l.id);
  return row ? { date: row.local_date, time: row.local_time, title: row.title } : null;
}

function linkPart(glen: Glen, l: ListedLink) {
  const { id, version, code, label, purpose, kind, state, place } = l;
  return {
    id,
    version,
    classId: l.class_id,
    classTitle: classTitle({ title: l.class_title, period: l.period }),
    pennant: l.pennant,
    code,
    address: linkAddress(glen, code),
    label,
    purpose,
    kind,
    state,
    shown: Boolean(l.shown),
    main: l.main_id === id,
    place,
    room: l.room_address,
    lastUsed: l.last_used,
    mayEdit: mayChange(l) && !l.left_out,
    hostedBy: l.hosted_by,
  };
}

async function rowsOf(glen: Glen, who: Who, which: WhichLinks): Promise<LinkDetail[]> {
  const links = await listLinks(glen.db, who.person!.id, which);
  const beside = await around(
    glen,
    links.map((l) => l.id),
  );
  return links.map((l): LinkDetail => ({
    ...linkPart(glen, l),
    ...peoplePart(l, beside),
    ...rulesPart(glen, l, beside),
    next: nextPart(l, beside),
    former: [],
    presenters: [],
    shares: [],
    mayTakeBack: false,
    running: false,
  }));
}

const inList = ({
  former: _f,
  presenters: _p,
  shares: _s,
  mayTakeBack: _m,
  holds: _h,
  byHand: _b,
  lookedAt: _l,
  running: _r,
  ...row
}: LinkDetail): Answer<'links'>['links'][number] => row;

/** Every link of the class periods that one teaches or visits, and those that one hosts alone. */
export const linksFor = async (glen: Glen, who: Who): Promise<Answer<'links'>> => ({
  links: (await rowsOf(glen, who, { ofPerson: true })).map(inList),
});

export async function linksOfClass(
  glen: Glen,
  classId: number,
  who: Who,
): Promise<Answer<'classLinks'>> {
  const links = await rowsOf(glen, who, { classId });
  return { links: links.map(inList), mayEdit: links[0]?.mayEdit ?? false };
}

/** When two class periods meet at a link. */
const shareWords = ({ series_id, key_date, series_title: series }: ShareRow): string =>
  holdsForInWords({ seriesId: series_id ?? 0, key: key_date ?? '' }, { series });

export async function describeLink(glen: Glen, linkId: number, who: Who): Promise<LinkDetail> {
  const [link] = await rowsOf(glen, who, { linkId });
  if (!link) throw notFound('This link');
  const [codes, shares, presenters, running] = await Promise.all([
    codesOf(glen.db, linkId),
    sharesOf(glen.db, linkId),
    describePresenters(glen, linkId),
    isRunning(glen.db, linkId),
  ]);
  const former = codes.slice(0, -1);
  const replacedAt = former.at(-1)?.replaced_at;
  return {
    ...link,
    presenters,
    running,
    former: former
      .map((c) => ({
        code: c.code,
        how: c.how!,
        until: c.until_at,
        why: c.why!,
        replacedAt: c.replaced_at!,
        by: c.by_name,
      }))
      .reverse(),
    mayTakeBack:
      replacedAt !== undefined &&
      replacedAt !== null &&
      !(await usedSince(glen.db, linkId, replacedAt)),
    shares: shares.map((s) => ({
      id: s.id,
      classId: s.class_id,
      title: classTitle(s),
      pennant: s.pennant,
      seriesId: s.series_id,
      key: s.key_date,
      words: shareWords(s),
      ownDoor: s.own_door,
    })),
  };
}
