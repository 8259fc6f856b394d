import { addDays, classTitle, dateInWords } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { SignUpRow } from '../../db/models/SignUp.js';
import { signUpAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import { notFound, stale, wrongField } from '../../http/problem.js';
import { peopleOfLink } from '../audience/store.js';
import { linkById } from '../link/store.js';
import { classById } from '../school/classes.sql.js';
import { tellOnce } from '../school/tell.js';
import { stands } from '../slot/reseat.js';
import { addSignUp, dropSignUps, signUpById, signUpsFrom } from '../slot/signUpStore.js';
import { beginWays, changeWays, endWays, heldWays, waysOfSeries } from '../slot/waysStore.js';
import { seriesById } from './groupStore.js';
import { heldSession, mustBeFree, tellSlots } from './own.js';
import { clockOf, cutSessions, nowOf, type Cut, type Now } from './sessions.js';

type Answered = Answer<'seriesSlots'>;
type Held = Answered['sessions'][number];

const heldBy = (one: SignUpRow): NonNullable<Held['slots'][number]['signUp']> => ({
  id: one.id,
  version: one.version,
  personId: one.person_id,
  name: one.person!.name,
  group: one.group?.name ?? null,
  about: one.about,
  address: one.address ?? '',
});

/** A session with who has which of its slots, as its hosts see it. */
function heldSessionOf({ date, slots, signUps }: Cut, { zone }: Now): Held {
  return {
    on: date.key_date,
    title: date.title,
    date: date.local_date,
    time: date.local_time,
    slots: slots.map((slot, nth) => {
      const holder = signUps.find((one) => one.nth === nth);
      return {
        nth,
        ...clockOf(slot, zone),
        start: slot.start,
        ends: slot.end,
        signUp: holder ? heldBy(holder) : null,
        missed: signUps.filter((one) => one.missed_nth === nth).map((one) => one.person!.name),
      };
    }),
    waiting: signUps
      .filter((one) => stands(one) && one.nth === null)
      .map(({ id, version, person_id: personId, person, about }) => ({
        ...{ id, version, personId, about },
        name: person!.name,
      })),
  };
}

/** So many sessions ahead are shown. */
const MOST_SHOWN = 12;

/** How a series is cut into slots, and who has signed up. */
export async function describeSeries(glen: Glen, seriesId: number): Promise<Answered> {
  const series = await seriesById(glen.db, seriesId);
  const link = series && (await linkById(glen.db, series.link_id));
  if (!series || !link) throw notFound('This series');
  const [of, at, kept, people] = await Promise.all([
    classById(glen.db, series.class_id, 0),
    nowOf(glen),
    waysOfSeries(glen.db, [seriesId]),
    peopleOfLink(glen.db, link.id),
  ]);
  const { version = null, ...ways } = kept.get(seriesId) ?? {};
  const cut = await cutSessions(glen, [seriesId], at);
  return {
    classId: series.class_id,
    classTitle: classTitle(of!),
    pennant: of!.pennant,
    title: series.title,
    linkId: link.id,
    address: signUpAddress(glen, link.code),
    version,
    ways: version === null ? null : (ways as Answered['ways']),
    sessions: cut.slice(0, MOST_SHOWN).map((one) => heldSessionOf(one, at)),
    people,
  };
}

/** Cuts a series into slots, cuts it otherwise, or no more. Who has signed up keeps their slots in their order, and is told. */
export async function setSlots(
  glen: Glen,
  seriesId: number,
  by: number,
  { version, ways }: Body<'setSlots'>,
): Promise<Answered> {
  await glen.db
    .transaction(async () => {
      const kept = await heldWays(glen.db, seriesId);
      if ((kept?.version ?? null) !== version) throw stale(undefined);
      const series = (await seriesById(glen.db, seriesId))!;
      if (ways === null) await endSlots(glen, seriesId);
      else if (kept) await changeWays(glen.db, seriesId, ways);
      else if (!(await beginWays(glen.db, seriesId, ways))) throw stale(undefined);
      const { version: _, ...before } = kept ?? { version };
      const subject = `slots:${seriesId}`;
      await glen.audit({ by, action: 'set-slots', subject, before, after: ways });
      await tellSlots(glen, series.class_id, seriesId);
    })
    .catch(async (error: unknown) => {
      if (isStaleWithoutWords(error)) throw stale(await describeSeries(glen, seriesId));
      throw error;
    });
  glen.nudge();
  return describeSeries(glen, seriesId);
}

const isStaleWithoutWords = (error: unknown): boolean =>
  error instanceof Error && 'status' in error && error.status === 409;

/** Nobody has a slot any more; who had one is told. */
async function endSlots(glen: Glen, seriesId: number): Promise<void> {
  const at = await nowOf(glen);
  const signUps = await signUpsFrom(glen.db, [seriesId], addDays(at.today, -1));
  for (const { person_id: personId, key_date: day, nth } of signUps.filter(stands)) {
    const what = nth === null ? 'There is nothing to wait for' : 'Your slot is off';
    await tellAbout(
      glen,
      seriesId,
      personId,
      `${what} on ${dateInWords(day)}: there are no slots any more. Come whenever it is open.`,
    );
  }
  await dropSignUps(
    glen.db,
    signUps.map(({ id }) => id),
  );
  await endWays(glen.db, seriesId);
}

async function tellAbout(
  glen: Glen,
  seriesId: number,
  personId: number,
  text: string,
): Promise<void> {
  const series = (await seriesById(glen.db, seriesId))!;
  const of = (await classById(glen.db, series.class_id, 0))!;
  await tellOnce(glen, personId, { title: classTitle(of), text });
}

/** `isKnown`: they know of it already. */
type Giving = Body<'signUpFor'> & { isKnown?: boolean };

const beginOf = ({ slots }: Cut, nth: number | null): string | null =>
  nth === null ? null : slots[nth]!.start;

/** Gives somebody a slot whom the session is for; how late and how often is the host's to say. */
export async function signUpFor(
  glen: Glen,
  seriesId: number,
  by: number,
  { isKnown = false, ...body }: Giving,
): Promise<Answered> {
  await glen.db.transaction(async () => {
    const at = await nowOf(glen);
    const series = await seriesById(glen.db, seriesId);
    if (!series) throw notFound('This series');
    const { link_id: linkId, class_id: classId } = series;
    const { wanted } = await heldSession(glen, { ...body, seriesId }, { linkId, at });
    const people = await peopleOfLink(glen.db, linkId, wanted.date.id);
    if (!people.some(({ id }) => id === body.personId))
      throw wrongField('personId', 'This is not for them.');
    mustBeFree(wanted, body.nth, { at, theirs: [], isForced: true });
    await addSignUp(
      glen.db,
      { seriesId, key: body.on },
      {
        ...{ nth: body.nth, person_id: body.personId, group_id: null },
        ...{ about: body.about, address: body.address || null },
        // What they do not know yet they are told.
        known_begin: isKnown ? beginOf(wanted, body.nth) : null,
        ...{ since: at.now, made_by: by, made_at: at.now },
      },
    );
    const after = { on: body.on, nth: body.nth, personId: body.personId };
    await glen.audit({ by, action: 'sign-up', subject: `slots:${seriesId}`, after });
    await tellSlots(glen, classId, seriesId);
  });
  glen.nudge();
  return describeSeries(glen, seriesId);
}

/** Takes somebody's slot away, or their place among those who wait; they are told. */
export async function dropTheirs(
  glen: Glen,
  seriesId: number,
  by: number,
  { id, version }: Body<'dropTheirSlot'>,
): Promise<Answered> {
  await glen.db.transaction(async () => {
    await heldWays(glen.db, seriesId);
    const found = await signUpById(glen.db, id);
    if (found?.series_id !== seriesId) throw notFound('This slot');
    if (found.version !== version) throw stale(await describeSeries(glen, seriesId));
    await dropSignUps(glen.db, [id]);
    const { key_date: on, nth, person_id: personId } = found;
    const before = { on, nth, personId };
    await glen.audit({ by, action: 'drop-sign-up', subject: `slots:${seriesId}`, before });
    await tellAbout(
      glen,
      seriesId,
      personId,
      `Your slot on ${dateInWords(on)} is off. Take another where you signed up.`,
    );
    const series = (await seriesById(glen.db, seriesId))!;
    await tellSlots(glen, series.class_id, seriesId);
  });
  glen.nudge();
  return describeSeries(glen, seriesId);
}
