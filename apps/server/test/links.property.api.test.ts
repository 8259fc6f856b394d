import fc from 'fast-check';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { doorFor } from '@glen/core';
import { decideAt } from '../src/features/door/decide.js';
import { readDoor } from '../src/features/door/facts.js';
import { replaceLink } from '../src/features/link/replace.js';
import { reopenLink, stopLink } from '../src/features/link/edit.js';
import { shareLink, unshareLink } from '../src/features/link/share.js';
import { formerCode } from '../src/features/link/store.js';
import { addSession } from '../src/features/plan/addSession.js';
import { sessionsOfLearner } from '../src/features/plan/sessions.sql.js';
import { heldElsewhere } from '../src/features/plan/sessions.js';
import { joinedOf } from '../src/features/link/joined.sql.js';
import { classById } from '../src/features/school/classes.sql.js';
import { HttpProblem } from '../src/http/problem.js';
import type { Who } from '../src/http/who.js';
import { startSchool, type School } from './support.js';

const LETTERS = ['N1', 'N3', 'N6'] as const;
const SEQUENCES = 1000;
const DATE = '2026-10-15';

let school: School;
let who: Who;
let lessons: { seriesId: number; key: string; start: string; end: string }[];
let hostAccount: number;
let pupils: { personId: number; accountId: number; of: number }[];
const links = (): number[] => LETTERS.map((l) => school.classes.get(l)!.link.id);
const classes = (): number[] => LETTERS.map((l) => school.classes.get(l)!.id);

beforeAll(async () => {
  school = await startSchool();
  const { glen } = school.running;
  const { id, name } = school.person('Ottoline Marsh');
  who = {
    sessionId: null,
    account: { id: 0, kind: 'school', email: '' },
    person: { id, name, roles: ['teacher'] },
  };
  hostAccount = school.people
    .find((p) => p.id === id)!
    .accounts.find((a) => a.kind === 'school')!.id;
  // Three class periods with a lesson at the same hour, and one pupil of each.
  lessons = [];
  for (const classId of classes()) {
    const { session } = await addSession(glen, classId, id, {
      title: 'Together?',
      description: '',
      draft: false,
      undated: false,
      plan: { first: DATE, at: { time: '19:00', minutes: 60 }, closures: 'keep' },
    });
    lessons.push({
      seriesId: session.seriesId,
      key: session.key,
      start: session.start,
      end: session.end,
    });
  }
  pupils = await Promise.all(
    classes().map(async (classId) => {
      const row = (await glen.db.one<{ person_id: number; id: number }>(
        `SELECT r.person_id, a.id FROM roll r JOIN accounts a ON a.person_id = r.person_id AND a.kind = 'school' WHERE r.class_id = :classId ORDER BY a.id LIMIT 1`,
        { classId },
      ))!;
      return { personId: row.person_id, accountId: row.id, of: classId };
    }),
  );
});
afterAll(() => school.stop());

type Step =
  | { do: 'replace'; on: number; how: 'keep' | 'forward' | 'stop' }
  | { do: 'stop'; on: number }
  | { do: 'reopen'; on: number }
  | { do: 'unshare'; on: number }
  | {
      do: 'share';
      on: number;
      who: number;
      scope: 'always' | 'series' | 'one';
      ownDoor: 'leads' | 'shut';
    };
const on = fc.nat({ max: LETTERS.length - 1 });
const step: fc.Arbitrary<Step> = fc.oneof(
  fc.record({
    do: fc.constant('replace' as const),
    on,
    how: fc.constantFrom('keep' as const, 'forward' as const, 'stop' as const),
  }),
  fc.record({ do: fc.constant('stop' as const), on }),
  fc.record({ do: fc.constant('reopen' as const), on }),
  fc.record({ do: fc.constant('unshare' as const), on }),
  fc.record({
    do: fc.constant('share' as const),
    on,
    who: on,
    scope: fc.constantFrom('always' as const, 'series' as const, 'one' as const),
    ownDoor: fc.constantFrom('leads' as const, 'shut' as const),
  }),
);

const versionOf = async (linkId: number): Promise<number> =>
  (await school.running.glen.db.one<{ version: number }>(
    'SELECT version FROM links WHERE id = :linkId',
    { linkId },
  ))!.version;

/** Does one step; one that is refused changes nothing, and says so by a 4xx. */
async function take(s: Step): Promise<void> {
  const { glen } = school.running;
  const linkId = links()[s.on]!;
  const version = await versionOf(linkId);
  try {
    if (s.do === 'replace')
      await replaceLink(glen, linkId, who, {
        version,
        why: 'tidy-up',
        how: s.how,
        ...(s.how === 'forward' ? { until: '2026-10-30' } : {}),
      });
    else if (s.do === 'stop') await stopLink(glen, linkId, who, version);
    else if (s.do === 'reopen') await reopenLink(glen, linkId, who, version);
    else if (s.do === 'unshare') {
      const share = await glen.db.one<{ id: number }>(
        'SELECT id FROM shares WHERE link_id = :linkId ORDER BY id LIMIT 1',
        { linkId },
      );
      if (share) await unshareLink(glen, linkId, who, share.id);
    } else {
      const { seriesId, key } = lessons[s.on]!;
      await shareLink(glen, linkId, who, {
        classId: classes()[s.who]!,
        ownDoor: s.ownDoor,
        ...(s.scope === 'always' ? {} : { seriesId }),
        ...(s.scope === 'one' ? { key } : {}),
      });
    }
  } catch (error) {
    if (!(error instanceof HttpProblem) || error.status >= 500) throw error;
  }
}

/** The link that a class period’s page names is one whose door its host can open; or it is stopped, the page says so, and one press lets it work again. */
async function checkWayIn(alsoReopen: boolean): Promise<void> {
  const { glen } = school.running;
  await Promise.all(
    classes().map(async (classId) => {
      const named = (await classById(glen.db, classId, who.person!.id))!;
      const facts = (await readDoor(glen, named.code, { accountId: hostAccount }))!;
      const { reason } = decideAt(facts);
      if (named.link_state === 'live')
        expect([named.code, reason === 'host' || facts.shutFor !== null]).toEqual([
          named.code,
          true,
        ]);
      else expect(reason).toBe('link-retired');
      if (named.link_state === 'live' || !alsoReopen) return;
      const version = await versionOf(named.link_id);
      expect((await reopenLink(glen, named.link_id, who, version)).state).toBe('live');
      await stopLink(glen, named.link_id, who, version + 1);
    }),
  );
}

/** No pupil is shown two doors to one lesson: neither in the day, nor at any door of their class period, by whatever code. */
async function checkOneDoor(): Promise<void> {
  const { glen } = school.running;
  const now = lessons[0]!.start;
  const [shared, codes] = await Promise.all([
    joinedOf(glen.db, classes(), '2026-10-15T00:00:00Z'),
    glen.db.rows<{ code: string }>('SELECT code FROM links WHERE id IN (:ids)', { ids: links() }),
  ]);
  await Promise.all(
    pupils.map(async (pupil) => {
      const [all, ...atDoors] = await Promise.all([
        sessionsOfLearner(glen.db, DATE, DATE, pupil.personId),
        ...codes.map(({ code }) =>
          readDoor(glen, code, { accountId: pupil.accountId }, { at: now }),
        ),
      ]);
      const day = all.filter(
        (row) => row.local_time === '19:00' && heldElsewhere(row, shared) === undefined,
      );
      const gone = shared.filter((j) => j.joining === pupil.of);
      // In the day: one's own lesson or the shared one, each once and never both.
      expect(new Set(day.map((row) => row.id)).size).toBe(day.length);
      expect(day.length).toBeLessThanOrEqual(Math.max(1, gone.length));
      if (gone.length > 0)
        expect(day.every((row) => gone.some((j) => j.occurrence_id === row.id))).toBe(true);
      // At the doors: whichever of the school's three one comes by, those that open to one's lesson are one door.
      const doors = new Map<number, Set<number>>();
      for (const facts of atDoors) {
        const { at, row } = facts!;
        if (!at || row.link_state === 'retired' || decideAt(facts!).outcome === 'refused') continue;
        const { opens, closes } = doorFor(at.occurrence, facts!.rules);
        if (opens <= now && now < closes)
          doors.set(
            at.occurrence.occurrence_id,
            (doors.get(at.occurrence.occurrence_id) ?? new Set()).add(row.link_id),
          );
      }
      for (const [occurrence, at] of doors) expect([occurrence, at.size]).toEqual([occurrence, 1]);
      // What one's day shows is what one's doors open to.
      expect([...doors.keys()].sort()).toEqual(day.map((row) => row.id).sort());
    }),
  );
}

/** Every code that was ever given belongs to one link, and the former ones to one that goes by another. */
async function checkCodes(): Promise<void> {
  const { glen } = school.running;
  const rows = await glen.db.rows<{ code: string; current: string; how: string | null }>(
    'SELECT k.code, l.code AS current, k.how FROM link_codes k JOIN links l ON l.id = k.link_id WHERE l.id IN (:ids)',
    { ids: links() },
  );
  for (const { code, current, how } of rows)
    expect([code, code === current]).toEqual([code, how === null]);
  for (const { code, current, how } of rows.slice(-6))
    if (how !== null) expect((await formerCode(glen.db, code))?.code).toBe(current);
  // A link is not replaced hundreds of times in its life.
  await glen.db.change('DELETE FROM link_codes WHERE how IS NOT NULL');
}

it(`${SEQUENCES} random sequences of replacing, sharing, stopping and reopening leave nobody without a way in, and nobody before two doors to one lesson`, async () => {
  let sequences = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 4 }), async (steps) => {
      // Each goes on from where the last one ended: that is a sequence too.
      for (const s of steps) await take(s);
      sequences++;
      await Promise.all([checkWayIn(false), checkOneDoor()]);
      if (sequences % 20 === 0) {
        await checkWayIn(true);
        await checkCodes();
      }
    }),
    { numRuns: SEQUENCES, endOnFailure: true },
  );
  expect(sequences).toBe(SEQUENCES);
}, 600000);
