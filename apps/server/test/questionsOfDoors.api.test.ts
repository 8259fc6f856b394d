import { afterAll, describe, it } from 'vitest';
import { plusMinutes } from '@glen/core';
import { Clock } from '../src/clock.js';
import { askerAtDoor, NO_PLACE, type Asker } from '../src/features/door/asker.sql.js';
import {
  datesAtDoor,
  linkAtDoor,
  sittingsAtDoor,
  type GuestTuple,
} from '../src/features/door/door.sql.js';
import type { Wish } from '../src/jobs/job.js';
import { JOB_KINDS, type JobKind } from '../src/jobs/job.js';
import { dueJobs, holdIfDue, renewWaiting } from '../src/jobs/outbox.sql.js';
import { idleSince } from '../src/http/idle.js';
import { tokens } from './randomRows.js';
import { randomSchool } from './randomSchool.js';
import { columns, idsOf, inOrder, lookupsOf } from './schoolLookups.js';

// Questions by hand that are asked all day, at doors and of the outbox, held against the models' rows of a school at random.

const school = await randomSchool();
const look = lookupsOf(school);
const clock = new Clock(school.db, () => Date.parse('2026-10-17T10:30:00Z') / 1000);
afterAll(() => school.close());

const isHeld = (date: { status: string; draft: boolean }): boolean =>
  ['planned', 'moved'].includes(date.status) && !date.draft;

/** What is said of a thing in lines, in no order. */
const lines = (told: string | null): string[] => told?.split('\n').toSorted() ?? [];

const tuplesIn = (kept: string | GuestTuple[] | null): GuestTuple[] =>
  typeof kept === 'string' ? (JSON.parse(kept) as GuestTuple[]) : (kept ?? []);

function isForNamed(linkId: number): boolean {
  const parts = school.rows.LinkAudience.filter((row) => row.link_id === linkId);
  const hasGuests = school.rows.Guest.some((row) => row.link_id === linkId);
  return (
    parts.length + Number(hasGuests) > 0 &&
    parts.every((row) => row.class_id === null && row.group_id === null)
  );
}

describe('a door', () => {
  it('its link, with its class period, the layers of its rules, and its guests', async () => {
    const { rows, db } = school;
    for (const link of rows.Link) {
      const c = look.byId(rows.ClassPeriod, link.class_id);
      const host = look.firstHost(c.id);
      const [alone] = look.hostsAlone(link.id);
      const guests = rows.Guest.filter((row) => row.link_id === link.id && row.state === 'invited');
      const { guest_list, ...answer } = (await linkAtDoor(db, link.code))!;
      const asked = `link ${link.id}`;
      look.same(
        tuplesIn(guest_list).map(String).toSorted(),
        guests
          .map((row) => [row.email, row.comes, row.series_id, row.key_date].join(','))
          .toSorted(),
        asked,
      );
      look.same(
        answer,
        {
          ...columns(link, ['code', 'label', 'class_id', 'room_address']),
          link_id: link.id,
          link_state: link.state,
          kind_of_link: link.kind,
          for_named: Number(isForNamed(link.id)),
          link_rules: link.rules,
          class_title: c.title,
          class_ref: c.ref,
          class_rules: c.rules,
          class_version: c.version,
          ...columns(c, ['period', 'pennant', 'put_away_at']),
          school_rules: rows.School[0]!.rules,
          school_locked: rows.School[0]!.locked,
          teacher_rules: host?.rules ?? null,
          host_name:
            alone === undefined ? (host?.name ?? null) : look.byId(rows.Person, alone).name,
          for_class: Number(look.isForClass(link.id, c.id)),
          meets_elsewhere: Number(rows.Joined.some((row) => row.class_id === c.id)),
        },
        asked,
      );
    }
    look.same(await linkAtDoor(db, 'nowhere'), undefined, 'a code that there is not');
  });

  it('the dates that it could stand for, with the next one, and who was brought in', async () => {
    const { rows, db, days } = school;
    for (const { id: linkId } of rows.Link)
      for (const at of days.map((day) => `${day}T10:10:00Z`)) {
        const held = rows.Occurrence.filter((date) => date.link_id === linkId && isHeld(date));
        const soon = plusMinutes(at, 150);
        const [next] = inOrder(held, (date) => [date.start_at]).filter((d) => d.start_at > soon);
        const dates = held.filter(
          (date) =>
            date.end_at > plusMinutes(at, -12 * 60) && date.start_at <= (next?.start_at ?? soon),
        );
        const broughtIn = (dateId: number): string[] =>
          rows.Invited.filter((row) => row.occurrence_id === dateId)
            .map((row) => row.email ?? String(row.person_id))
            .toSorted();
        const answer = await datesAtDoor(db, linkId, at);
        look.same(
          inOrder(answer, (row) => [row.start_at, row.occurrence_id]).map((row) => [
            row.occurrence_id,
            row.end_at,
            lines(row.invited_lines),
          ]),
          inOrder(dates, (d) => [d.start_at, d.id]).map((d) => [d.id, d.end_at, broughtIn(d.id)]),
          `link ${linkId} at ${at}`,
        );
      }
  });

  it('what happens behind it', async () => {
    const { rows, db } = school;
    const dates = idsOf(rows.Occurrence);
    for (const some of [dates.slice(0, 1), dates.slice(1, 4), dates.slice(4)]) {
      const answer = await sittingsAtDoor(db, some, school.now);
      const sittings = rows.Sitting.filter((row) => some.includes(row.occurrence_id));
      look.same(answer.size, sittings.length, 'sittings');
      for (const sitting of sittings) {
        const visitors = rows.Visitor.filter((row) => row.sitting_id === sitting.id);
        const inside = visitors.filter((row) => row.inside);
        const isOnTheWay = (row: (typeof visitors)[number]): boolean =>
          row.state === 'let-in' && row.ticket_until !== null && row.ticket_until > school.now;
        const seated = visitors.filter((row) => row.inside || isOnTheWay(row));
        look.same(
          answer.get(sitting.occurrence_id),
          {
            ...columns(sitting, ['opened_at', 'ended_at', 'host_left_at', 'room']),
            sitting_id: sitting.id,
            room_address_kept: sitting.room_address,
            inside: inside.length,
            asks_account: Number(sitting.asks_account),
            all_share: Number(sitting.all_share),
            chime: sitting.chime,
            seats: seated.filter((row) => row.role !== 'watcher').length,
            has_line: Number(rows.InLine.some((row) => row.sitting_id === sitting.id)),
            hosts_inside: inside.filter((row) => row.role === 'host').length,
          },
          `sitting ${sitting.id}`,
        );
      }
    }
  });

  it('who asks there, by token or by account, with their places', async () => {
    const { rows, db } = school;
    const placesWanted = (accountId: number | undefined, sittings: number[]) => {
      const person = rows.Account.find((row) => row.id === accountId)?.person_id;
      return sittings.flatMap((sittingId) => {
        const visitor = rows.Visitor.find(
          (row) => row.sitting_id === sittingId && row.visitor_key === `a${accountId}`,
        );
        const acting = rows.ActingHost.some(
          (row) => row.sitting_id === sittingId && row.person_id === person,
        );
        const place = visitor && {
          visitor_id: visitor.id,
          visitor_state: visitor.state,
          watched: visitor.role === 'watcher',
          ...columns(visitor, ['entry_code', 'may_present', 'word', 'knocked_at', 'turn_over']),
        };
        return place || acting ? [[sittingId, { ...NO_PLACE, ...place, acting }]] : [];
      });
    };
    const check = async (asker: Asker, accountId: number | undefined, linkId: number) => {
      const sittings = idsOf(rows.Sitting.filter((row) => row.link_id === linkId));
      const { asker: who, places } = await askerAtDoor(
        { db, clock, tokens },
        linkId,
        asker,
        sittings,
      );
      const person = rows.Account.find((row) => row.id === accountId)?.person_id;
      const meant = rows.LinkPerson.filter(
        (row) => row.link_id === linkId && row.person_id === person,
      );
      const asked = `account ${accountId} at link ${linkId}`;
      look.same([who.account_id, who.person_id], [accountId ?? null, person ?? null], asked);
      const roles = (told: string | null | undefined) => told?.split(',').toSorted();
      look.same(roles(who.person_roles), roles(person ? look.rolesOf(person) : null), asked);
      look.same(
        who.meant.map((m) => `${m.as} ${m.seriesId} ${m.key}`).toSorted(),
        meant.map((m) => `${m.as_what} ${m.series_id} ${m.key_date}`).toSorted(),
        asked,
      );
      look.same(
        inOrder([...places], ([id]) => [id]),
        placesWanted(accountId, sittings),
        asked,
      );
    };
    for (const { id: linkId } of rows.Link) {
      for (const session of rows.BrowserSession) {
        const isOver = session.expires_at <= clock.machine() || session.seen_at <= idleSince(clock);
        const holds = isOver ? null : session.account_id;
        await check({ token: `token ${session.id}` }, holds ?? undefined, linkId);
      }
      for (const { id: accountId } of rows.Account) await check({ accountId }, accountId, linkId);
      await check({ token: undefined }, undefined, linkId);
    }
  });
});

describe('the outbox', () => {
  it('the next that is due by both clocks, and that nobody else holds', async () => {
    const { rows, db } = school;
    const now = clock.machine();
    const isDue = (job: (typeof rows.OutboxJob)[number]): boolean =>
      [job.due_at, job.due_school, job.lease_until].every((at) => at === null || at <= now);
    const wishes = [JOB_KINDS, ['put-out'], ['placement', 'look']] as (readonly JobKind[])[];
    for (const kinds of wishes)
      for (const state of ['queued', 'running'] as const) {
        const due = rows.OutboxJob.filter(
          (job) => job.state === state && kinds.includes(job.kind) && isDue(job),
        );
        const ids = inOrder(due, (row) => [row.due_at, row.id]).map((job) => job.id);
        const found = await dueJobs(db, clock, { state, kinds });
        look.same(
          found.map((job) => job.id),
          ids.slice(0, 50),
          `${state} ${kinds.join()}`,
        );
      }
    for (const { id, state } of rows.OutboxJob) {
      if (state !== 'queued' && state !== 'running') continue;
      const held = await holdIfDue(db, clock, { id, state });
      const job = rows.OutboxJob.find((row) => row.id === id)!;
      look.same(held?.id, isDue(job) ? id : undefined, `held ${String(id)}`);
    }
  });

  class Undone extends Error {}

  /** Does something and takes it back. */
  const aside = (work: () => Promise<void>): Promise<void> =>
    school.db
      .transaction(async () => {
        await work();
        throw new Undone();
      })
      .catch((error: unknown) => {
        if (!(error instanceof Undone)) throw error;
      });

  it('a wish for what waits already renews it: the earlier time counts where it is wished sooner', async () => {
    const { rows, db } = school;
    const earlier = (a: string | null, b: string | null): string | null =>
      a === null || b === null ? null : a < b ? a : b;
    const check = async (wish: Wish & { dueSchool: string | null }): Promise<void> => {
      const due_at = clock.machine(wish.waitSeconds);
      const waits = rows.OutboxJob.filter(
        (job) =>
          job.kind === wish.kind &&
          job.subject === wish.subject &&
          ['queued', 'failed'].includes(job.state),
      );
      const wanted = waits.map((job) => {
        const keeps = job.state === 'queued' && wish.sooner;
        return {
          id: job.id,
          state: 'queued',
          tries: 0,
          due_school: keeps ? earlier(job.due_school, wish.dueSchool) : wish.dueSchool,
          due_at: keeps ? earlier(job.due_at, due_at) : due_at,
        };
      });
      const asked = JSON.stringify(wish);
      look.same(await renewWaiting(db, clock, wish), waits.length > 0, asked);
      const now = await db.models.OutboxJob.findAll({ where: { id: idsOf(waits) } });
      const names = ['id', 'state', 'tries', 'due_school', 'due_at'] as const;
      look.same(
        now.map((job) => columns(job, names)),
        wanted,
        asked,
      );
    };
    for (let subject = 1; subject <= 24; subject++)
      for (const sooner of [true, false])
        for (const dueSchool of [null, '2026-10-17T10:30:00Z'])
          await aside(() =>
            check({
              kind: 'placement',
              subject: String(subject),
              waitSeconds: -600,
              sooner,
              dueSchool,
            }),
          );
  });
});
