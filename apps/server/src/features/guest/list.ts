import type { Answer, Body } from '@glen/contract';
import { watchAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import { notFound, stale, wrongField } from '../../http/problem.js';
import { inviteGuests, withdraw } from '../audience/guestStore.js';
import { rulesOfLinks } from '../entry/layers.js';
import { announceLink } from '../link/announce.js';
import { withFreshCode } from '../link/make.js';
import { mustMeetAt } from '../link/meetsAt.js';
import { heldLink, linkById } from '../link/store.js';
import { endWatchCode, watchCodeOf, writeWatchCode } from '../link/watchStore.js';
import { refusedAddresses } from '../mail/store.js';
import { guestList, heldGuest, whenInWords } from './listStore.js';
import { readTypedGuests } from './typed.js';
import { withdrawing } from './withdraw.js';

/** Which link, and who changes its guests. */
interface At {
  linkId: number;
  by: number;
}

/** So many guests a link has at the most. */
const MOST_GUESTS = 400;

/** The guests of a link, and where it can be watched. */
export async function describeGuests(glen: Glen, linkId: number): Promise<Answer<'guests'>> {
  const [rows, code, rules] = await Promise.all([
    guestList(glen.db, linkId),
    watchCodeOf(glen.db, linkId),
    rulesOfLinks(glen.db, [linkId]),
  ]);
  const [when, refused] = await Promise.all([
    whenInWords(glen.db, rows),
    refusedAddresses(
      glen.db,
      rows.map((row) => row.email),
    ),
  ]);
  return {
    guests: rows.map((row) => ({
      id: row.id,
      version: row.version,
      name: row.name,
      email: row.email,
      comes: row.comes,
      seriesId: row.series_id || null,
      key: row.key_date || null,
      when: when(row),
      said: row.said,
      hasEnded: row.state === 'ended',
      refused: refused.get(row.email) ?? null,
    })),
    watchAddress: code === null ? null : watchAddress(glen, code),
    mayWatch: rules.get(linkId)!.rules.watching,
    mails: glen.mail !== null,
  };
}

/** Makes a change to a link's guests, in one transaction with its log, and tells whoever looks. */
async function changeGuests(
  glen: Glen,
  { linkId, by }: At,
  work: () => Promise<Pick<Parameters<Glen['audit']>[0], 'action' | 'before' | 'after'>>,
): Promise<Answer<'guests'>> {
  await glen.db.transaction(async () => {
    const link = await heldLink(glen.db, linkId);
    if (!link) throw notFound('This link');
    const noted = await work();
    await glen.audit({ by, subject: `link:${linkId}`, ...noted });
    await announceLink(glen, link);
  });
  return describeGuests(glen, linkId);
}

/** A code to watch at that is no link's. */
const freshWatchCode = ({ glen, linkId, by }: At & { glen: Glen }): Promise<void> =>
  withFreshCode((code) => writeWatchCode(glen.db, linkId, { code, by }));

/** Invites guests by name and address: to the link at any time, to a series, or to one date. */
export async function addGuests(
  glen: Glen,
  at: At,
  { text, comes, seriesId, key }: Body<'addGuests'>,
): Promise<Answer<'addGuests'>> {
  const guests = readTypedGuests(text, 'text');
  return changeGuests(glen, at, async () => {
    const { linkId } = at;
    await mustMeetAt(glen, linkId, { seriesId, key });
    const known = new Set((await guestList(glen.db, linkId)).map((guest) => guest.email));
    const more = guests.filter((guest) => !known.has(guest.email)).length;
    if (known.size + more > MOST_GUESTS)
      throw wrongField('text', `A link has at most ${MOST_GUESTS} guests; ${known.size} stand.`);
    const dates = { seriesId: seriesId ?? 0, key: key ?? '' };
    await inviteGuests(
      glen.db,
      linkId,
      dates,
      guests.map((guest) => ({ ...guest, comes })),
    );
    // Whoever only watches is given an address that leads to nothing more.
    if (comes === 'watcher' && (await watchCodeOf(glen.db, linkId)) === null)
      await freshWatchCode({ glen, ...at });
    const emails = guests.map((guest) => guest.email);
    return { action: 'add-guests', after: { emails, comes, ...dates } };
  });
}

export const editGuest = (
  glen: Glen,
  at: At,
  { guestId, version, name, comes }: Body<'editGuest'>,
): Promise<Answer<'editGuest'>> =>
  changeGuests(glen, at, async () => {
    const guest = await heldGuest(glen.db, at.linkId, guestId);
    if (!guest) throw notFound('This guest');
    if (guest.version !== version) throw stale(await describeGuests(glen, at.linkId));
    const { email, comes: before } = guest;
    await guest.update({ name, comes, version: version + 1 });
    if (comes === 'watcher' && (await watchCodeOf(glen.db, at.linkId)) === null)
      await freshWatchCode({ glen, ...at });
    // What somebody is called goes with them, and is not kept in the log.
    return { action: 'edit-guest', before: { email, comes: before }, after: { email, comes } };
  });

/** Invites somebody no longer; if that was all, they are out at once. */
export async function withdrawGuest(
  glen: Glen,
  at: At,
  { guestId }: Body<'withdrawGuest'>,
): Promise<Answer<'withdrawGuest'>> {
  const answer = await changeGuests(glen, at, () =>
    withdrawing(glen, at, async () => {
      const guest = await heldGuest(glen.db, at.linkId, guestId);
      if (!guest) throw notFound('This guest');
      await withdraw(guest, glen.clock.machine());
      const { email, comes } = guest;
      return { action: 'withdraw-guest' as const, before: { email, comes } };
    }),
  );
  glen.nudge();
  return answer;
}

/** Makes a fresh address to watch at, the one before leading nowhere; or ends it. */
export const setWatchAddress = (
  glen: Glen,
  at: At,
  { has }: Body<'setWatchAddress'>,
): Promise<Answer<'setWatchAddress'>> =>
  changeGuests(glen, at, async () => {
    const link = (await linkById(glen.db, at.linkId))!;
    if (has && link.state === 'retired')
      throw wrongField('has', 'This link has been stopped; let it work again first.');
    if (has) await freshWatchCode({ glen, ...at });
    else await endWatchCode(glen.db, at.linkId);
    return { action: 'set-watch-address', after: { has } };
  });
