import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { startSchool, type School } from './support.js';

let school: School;
beforeAll(async () => {
  school = await startSchool();
});
afterAll(() => school.stop());

/** A fixed run of numbers (mulberry32, public domain), so that a failure can be looked at again. */
function numbers(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

describe('trying the door as somebody', () => {
  it('is what then happens at the real door, for 30 random cases', async () => {
    const random = numbers(20261014);
    const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)]!;
    const host = await school.as('Ottoline Marsh');
    const letters = ['N1', 'W2', 'N3', 'C', 'R5', 'N6', 'HE'];
    const reasons = new Set<string>();
    for (let i = 0; i < 30; i++) {
      const klass = school.classes.get(pick(letters))!;
      const read = (await host.get(`/api/classes/${klass.id}/rules`)).body as Answer<'rules'>;
      const rules = {
        whoMayEnter: pick(['invited', 'roll', 'school', 'signed-in', 'anyone'] as const),
        straightIn: pick(['hosts', 'presenters', 'roll', 'school', 'everyone'] as const),
        withoutHost: random() < 0.5,
        opensBefore: pick([0, 5, 30]),
        closesAfter: pick([0, 15]),
        entryCode: pick([null, null, 'tide']),
        watching: random() < 0.5,
        presenters: pick(['hosts', 'named', 'staff', 'everyone'] as const),
      };
      await host.put(`/api/classes/${klass.id}/rules`, { version: read.version, rules });
      if (random() < 0.4) {
        // A host is in, and later perhaps it is ended.
        await school.setTime(pick(['10:47', '13:22', '14:16']));
        await host.post(`/api/links/${klass.link.id}/open`);
        await school.running.glen.db.change(
          `UPDATE visitors v JOIN sittings m ON m.id = v.sitting_id SET v.inside = 1 WHERE m.link_id = :id AND m.ended_at IS NULL AND v.role = 'host'`,
          { id: klass.link.id },
        );
        if (random() < 0.3) await host.post(`/api/links/${klass.link.id}/close-room`);
      }
      const person = pick(school.people);
      const account = random() < 0.15 ? null : pick(person.accounts);
      const at = {
        date: pick(['2026-10-14', '2026-10-14', '2026-10-15', '2026-10-19']),
        time: pick(['08:35', '10:39', '10:47', '11:44', '13:25', '14:20', '15:04', '20:00']),
      };
      const watchOnly = random() < 0.2;
      const entryCode = pick([undefined, 'tide', 'ebb']);
      const tried = (
        await host.post(`/api/links/${klass.link.id}/try`, {
          at,
          ...(account ? { accountId: account.id } : {}),
          watchOnly,
          ...(entryCode ? { entryCode } : {}),
        })
      ).body as Answer<'tryDoor'>;

      await school.setTime(at.time, at.date);
      const visitor = await school.as(null);
      if (account) await visitor.post('/api/demo/sign-in', { accountId: account.id });
      const case_ = {
        i,
        class: klass.pennant.letters,
        who: account?.email ?? 'nobody',
        at,
        rules,
        watchOnly,
        entryCode,
      };
      const looked = (await visitor.get(`/api/door/${klass.link.code}`)).body as Answer<'door'>;
      // What the page shows before anything is typed or chosen …
      const plainly = (
        await host.post(`/api/links/${klass.link.id}/try`, {
          at,
          ...(account ? { accountId: account.id } : {}),
        })
      ).body as Answer<'tryDoor'>;
      expect({ case_, ...plainly }).toEqual({ case_, ...looked });
      // … and what follows once it is.
      const entered = (
        await visitor.post(`/api/door/${klass.link.code}/enter`, {
          name: 'Somebody',
          watchOnly,
          ...(entryCode ? { entryCode } : {}),
        })
      ).body as Answer<'enterDoor'>;
      expect({ case_, decision: tried.decision }).toEqual({ case_, decision: entered.decision });
      reasons.add(tried.decision.reason);
    }
    expect(reasons.size).toBeGreaterThan(5);
  });

  it('tells of a colleague, a student of another class and a guest as of any such person', async () => {
    await school.setTime('10:47', '2026-10-28');
    const host = await school.as('Tomas Verhage');
    const n3 = school.classes.get('N3')!;
    const { version } = (await host.get(`/api/classes/${n3.id}/rules`)).body;
    const lets = { whoMayEnter: 'school', straightIn: 'presenters', presenters: 'staff' };
    await host.put(`/api/classes/${n3.id}/rules`, { version, rules: lets });
    const tried = async (kind: string) =>
      (await host.post(`/api/links/${n3.link.id}/try`, { kind, hostIn: true })).body.decision;
    expect(await tried('colleague')).toEqual({
      outcome: 'enter',
      role: 'presenter',
      reason: 'straight-in',
    });
    expect(await tried('other-student')).toMatchObject({ outcome: 'lobby', role: 'participant' });
    expect(await tried('signed-in-guest')).toEqual({
      outcome: 'refused',
      reason: 'use-school-account',
    });
  });

  it('takes a host in or out as told, and writes nothing', async () => {
    await school.setTime('10:31', '2026-10-28');
    const host = await school.as('Tomas Verhage');
    const n3 = school.classes.get('N3')!;
    const { version } = (await host.get(`/api/classes/${n3.id}/rules`)).body;
    await host.put(`/api/classes/${n3.id}/rules`, { version, rules: {} });
    const pupil = school.people
      .find((p) => p.name === 'Ansel Grue')!
      .accounts.find((a) => a.kind === 'school')!;
    const ask = async (more: object) =>
      (
        await host.post(`/api/links/${n3.link.id}/try`, {
          accountId: pupil.id,
          at: { date: '2026-10-28', time: '10:50' },
          ...more,
        })
      ).body.decision.reason;
    const count = async () =>
      (await school.running.glen.db.one<{ n: number }>(
        'SELECT (SELECT COUNT(*) FROM visitors) + (SELECT COUNT(*) FROM sittings) + (SELECT COUNT(*) FROM occurrences) AS n',
      ))!.n;
    const before = await count();
    expect(await ask({ hostIn: true })).toBe('lobby');
    expect(await ask({ hostIn: false })).toBe('no-host');
    expect(await ask({})).toBe('no-host');
    expect(await count()).toBe(before);
    expect(
      (await host.post(`/api/links/${n3.link.id}/try`, { accountId: 999999 })).body.errors[0].path,
    ).toBe('accountId');
    expect(
      (await host.post(`/api/links/${n3.link.id}/try`, { at: { date: 'soon', time: '25:00' } }))
        .status,
    ).toBe(422);
  });
});
