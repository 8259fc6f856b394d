import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Answer, LinkDetail } from '@glen/contract';
import { linkTools, none, type LinkTools } from './linkTools.js';
import { startSchool, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let of: LinkTools['of'],
  read: LinkTools['read'],
  make: LinkTools['make'],
  door: LinkTools['door'],
  openAndBeIn: LinkTools['openAndBeIn'],
  end: LinkTools['end'];
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  ({ of, read, make, door, openAndBeIn, end } = linkTools(school, host));
});
afterAll(() => school.stop());
beforeEach(() => school.setTime('10:31'));

describe('class periods that meet at the same time', () => {
  const share = (letters: string, body: object) =>
    host.post(`/api/links/${of(letters).link.id}/share`, { ownDoor: 'leads', ...body });
  const codeOf = async (letters: string): Promise<string> => (await read(of(letters).link.id)).code;
  const undo = async (letters: string): Promise<void> => {
    for (const s of (await read(of(letters).link.id)).shares)
      await host.post(`/api/links/${of(letters).link.id}/unshare`, { shareId: s.id });
  };
  const evening = async (letters: string): Promise<Answer<'addSession'>['session']> =>
    (
      await host.post(`/api/classes/${of(letters).id}/sessions`, {
        title: `Evening of ${letters}`,
        description: '',
        plan: { first: '2026-10-15', at: { time: '19:00', minutes: 60 } },
      })
    ).body.session;

  it('for one session: their own door leads there, both sides see one door, and it is theirs as much as the others’', async () => {
    const [n1, n6] = [await evening('N1'), await evening('N6')];
    expect(
      (await share('N1', { classId: of('N6').id, seriesId: n1.seriesId, key: n1.key })).status,
    ).toBe(200);
    await school.setTime('19:01', '2026-10-15');
    const { roll } = (await host.get(`/api/classes/${of('N6').id}`)).body as Answer<'classPeriod'>;
    const pupil = await school.as(roll[0]!.name);
    expect(await door(pupil, await codeOf('N6'))).toMatchObject({
      linkId: of('N1').link.id,
      came: { by: 'together' },
      session: { title: 'Evening of N1' },
    });
    const day = (await pupil.get('/api/my-day')).body as Answer<'myDay'>;
    expect(day.doors.filter((d) => d.time === '19:00').map((d) => d.title)).toEqual([
      'Evening of N1',
    ]);
    // Whoever presents in one of them presents here.
    await share('N1', { classId: of('N3').id, seriesId: n1.seriesId, key: n1.key });
    expect((await door(await school.as('Signe Aalto'), await codeOf('N1'))).decision.reason).toBe(
      'no-host',
    );
    // Opened from either desk it is the same room, and the whole of both rolls belongs there.
    await openAndBeIn(of('N6').link.id);
    const desk = (await host.get(`/api/links/${of('N6').link.id}/desk`)).body as Answer<'desk'>;
    expect([desk.link.id, desk.rollSize, desk.together.map((c) => c.title)]).toEqual([
      of('N1').link.id,
      68,
      ['Coastal Navigation, period 3', 'Coastal Navigation, period 6'],
    ]);
    expect((await pupil.post(`/api/door/${await codeOf('N6')}/enter`)).body.decision.outcome).toBe(
      'lobby',
    );
    const { waiting } = (await host.get(`/api/links/${of('N1').link.id}/desk`))
      .body as Answer<'desk'>;
    expect(waiting.map((v) => [v.name, v.onRoll])).toEqual([[roll[0]!.name, true]]);
    await end(of('N1').link.id);
    const today = (await host.get('/api/today')).body as Answer<'today'>;
    expect(today.sessions.filter((s) => s.time === '19:00').map((s) => [s.title, s.with])).toEqual([
      ['Evening of N1', ['Coastal Navigation, period 3', 'Coastal Navigation, period 6']],
    ]);
    expect(
      (await host.get(`/api/classes/${of('N6').id}`)).body.sessions.find(
        (s: { id: number }) => s.id === n6.id,
      ).heldAt,
    ).toBe('Coastal Navigation, period 1');
    // A day later all is as ever.
    await school.setTime('14:12', '2026-10-19');
    expect((await door(pupil, await codeOf('N6'))).linkId).toBe(of('N6').link.id);
    await undo('N1');
    await school.setTime('19:01', '2026-10-15');
    expect((await door(pupil, await codeOf('N6'))).session?.title).toBe('Evening of N6');
  });

  it('or their own door stays shut with a word, told to those it is for', async () => {
    const n3 = await evening('N3');
    await share('N3', { classId: of('W2').id, seriesId: n3.seriesId, ownDoor: 'shut' });
    await school.setTime('19:01', '2026-10-15');
    const { roll } = (await host.get(`/api/classes/${of('W2').id}`)).body as Answer<'classPeriod'>;
    const pupil = await school.as(roll[0]!.name);
    expect(await door(pupil, await codeOf('W2'))).toMatchObject({
      linkId: of('W2').link.id,
      decision: { outcome: 'not-yet' },
      elsewhere: {
        why: 'together',
        code: await codeOf('N3'),
        title: 'Coastal Navigation, period 3',
      },
    });
    expect((await door(await school.as(null), await codeOf('W2'))).elsewhere).toBeNull();
    expect((await pupil.post(`/api/door/${await codeOf('W2')}/enter`)).body.go).toBeNull();
    expect((await host.post(`/api/links/${of('W2').link.id}/open`)).status).toBe(409);
    expect((await door(pupil, await codeOf('N3'))).decision.reason).not.toBe('not-on-roll');
    await undo('N3');
  });

  it('a co-teacher of both hosts both; whoever hosts only one cannot send it anywhere', async () => {
    const bram = await school.as('Bram Osterholt');
    expect(
      (
        await bram.post(`/api/links/${of('S4').link.id}/share`, {
          classId: of('N3').id,
          ownDoor: 'leads',
        })
      ).body.errors[0].path,
    ).toBe('classId');
    expect(
      (
        await bram.post(`/api/links/${of('N3').link.id}/share`, {
          classId: of('S4').id,
          ownDoor: 'leads',
        })
      ).status,
    ).toBe(403);
  });

  it('nobody is led on twice or in a circle: whoever goes to another’s door has no guests at their own', async () => {
    expect((await share('N1', { classId: of('N3').id })).status).toBe(200);
    for (const [to, who] of [
      ['N3', 'N1'],
      ['N3', 'N6'],
      ['N6', 'N1'],
    ] as const) {
      const { status, body } = await share(to, { classId: of(who).id });
      expect([to, who, status, body.errors?.[0]?.path]).toEqual([to, who, 422, 'classId']);
    }
    expect((await share('N1', { classId: of('N1').id })).status).toBe(422);
    expect((await share('N1', { classId: of('N3').id })).status).toBe(422);
    expect((await share('N1', { classId: of('N6').id })).status).toBe(200);
    await undo('N1');
  });

  it('a shared link that is stopped leads nobody anywhere: everyone is at their own door again', async () => {
    await school.setTime('08:41', '2026-10-16');
    await share('N1', { classId: of('N6').id });
    const { roll } = (await host.get(`/api/classes/${of('N6').id}`)).body as Answer<'classPeriod'>;
    const pupil = await school.as(roll[1]!.name);
    expect((await door(pupil, await codeOf('N6'))).linkId).toBe(of('N1').link.id);
    const main = await read(of('N1').link.id);
    const stopped = (await host.post(`/api/links/${main.id}/stop`, { version: main.version }))
      .body as LinkDetail;
    expect((await door(pupil, await codeOf('N6'))).linkId).toBe(of('N6').link.id);
    await host.post(`/api/links/${main.id}/reopen`, { version: stopped.version });
    await undo('N1');
  });

  it('scheduled together from the start, and taken back as one', async () => {
    const ask = (together: number[]) =>
      host.post(`/api/classes/${of('N1').id}/sessions`, {
        title: 'Chart day',
        description: '',
        together,
        plan: { first: '2026-10-24', at: { time: '10:00', minutes: 60 } },
      });
    expect((await ask([of('N1').id])).body.errors[0].path).toBe('together');
    expect((await ask([of('S4').id])).body.errors[0].path).toBe('together');
    const { body } = await ask([of('N6').id, of('W2').id]);
    expect(body.session.with).toEqual(['Marine Weather, period 2', 'Coastal Navigation, period 6']);
    await host.post('/api/sessions/take-back', { touched: body.touched });
    expect((await read(of('N1').link.id)).shares).toEqual([]);
  });

  it('a series cut in two stays shared on both sides, and moved dates go along', async () => {
    const { body } = await host.post(`/api/classes/${of('N1').id}/sessions`, {
      title: 'Joint drill',
      description: '',
      plan: {
        first: '2026-10-20',
        at: { time: '18:00', minutes: 40 },
        closures: 'skip',
        repeat: { every: 'week', times: 4 },
      },
    });
    const s = body.session;
    await share('N1', { classId: of('N6').id, seriesId: s.seriesId });
    const cut = await host.put(`/api/series/${s.seriesId}`, {
      version: 1,
      scope: 'onwards',
      key: '2026-11-03',
      title: 'Joint drill, later',
      description: '',
      plan: {
        first: '2026-11-03',
        at: { time: '18:30', minutes: 40 },
        closures: 'skip',
        repeat: { every: 'week', times: 2 },
      },
    });
    expect(cut.status).toBe(200);
    const rows = await school.running.glen.db.rows<{ local_date: string }>(
      'SELECT o.local_date FROM joined j JOIN occurrences o ON o.id = j.occurrence_id WHERE j.class_id = :id ORDER BY o.local_date',
      { id: of('N6').id },
    );
    expect(rows.map((r) => r.local_date)).toEqual([
      '2026-10-20',
      '2026-10-27',
      '2026-11-03',
      '2026-11-10',
    ]);
    // Taken back, it is one series again and shared once.
    expect((await host.post('/api/sessions/take-back', { touched: cut.body.touched })).status).toBe(
      200,
    );
    expect((await read(of('N1').link.id)).shares.length).toBe(1);
    await undo('N1');
  });
});

describe('the room behind a link', () => {
  const set = async (id: number, address: string | null) => {
    const { version } = await read(id);
    return host.put(`/api/links/${id}/room`, { version, address });
  };

  it('can be any address; visitors get it only once they are let in, and the link stays', async () => {
    const link = await make('N3', {
      label: 'Own room',
      audience: { ...none, classIds: [of('N3').id] },
    });
    const room = 'https://rooms.merrow.example/blue';
    const changed = (await set(link.id, `  ${room}\u200b `)).body as LinkDetail;
    expect([changed.room, changed.code, changed.holds]).toEqual([room, link.code, []]);
    expect(changed.byHand).toContain('arriveMuted');
    expect((await host.get(`/api/links/${link.id}/rules`)).body.setting.holds).toEqual([]);
    const pupil = await school.as('Ansel Grue');
    expect(JSON.stringify(await door(pupil, link.code))).not.toContain('rooms.merrow');
    expect((await host.post(`/api/links/${link.id}/open`, { anyway: true })).body.go).toBe(room);
    // Nobody tells Glen who is in there: whoever passed the door counts, and the host says at the desk.
    const knock = await pupil.post(`/api/door/${link.code}/enter`);
    expect([
      knock.body.decision.outcome,
      knock.body.go,
      JSON.stringify(knock.body).includes('rooms.merrow'),
    ]).toEqual(['lobby', null, false]);
    const desk = async (): Promise<Answer<'desk'>> =>
      (await host.get(`/api/links/${link.id}/desk`)).body;
    expect([(await desk()).pastedRoom, (await desk()).hostInside]).toEqual([true, true]);
    await host.post(`/api/visitors/${(await desk()).waiting[0]!.id}/let-in`);
    expect((await pupil.post(`/api/door/${link.code}/enter`)).body.go).toBe(room);
    expect((await desk()).inside.map((v) => v.name).sort()).toEqual([
      'Ansel Grue',
      'Ottoline Marsh',
    ]);
    // Changed in mid-session, the running one stays where it began; the next is in the new room.
    await set(link.id, 'https://rooms.merrow.example/red');
    expect((await pupil.post(`/api/door/${link.code}/enter`)).body.go).toBe(room);
    expect((await host.post(`/api/links/${link.id}/presence`, { inside: false })).status).toBe(200);
    expect((await desk()).own).toBeNull();
    expect((await host.post(`/api/links/${link.id}/presence`, { inside: true })).status).toBe(200);
    expect((await desk()).hostInside).toBe(true);
    await host.post(
      `/api/visitors/${(await desk()).inside.find((v) => v.name === 'Ansel Grue')!.id}/put-out`,
    );
    expect((await door(pupil, link.code)).decision.reason).toBe('removed');
    await end(link.id);
    expect((await host.post(`/api/links/${link.id}/open`, { anyway: true })).body.go).toBe(
      'https://rooms.merrow.example/red',
    );
    await end(link.id);
    expect((await set(link.id, null)).body.room).toBeNull();
    expect((await host.post(`/api/links/${link.id}/open`, { anyway: true })).body.go).toContain(
      '/room/',
    );
    await end(link.id);
  });

  it('is refused beside its field where it is none', async () => {
    const { id } = await make('N3', {});
    for (const address of [
      'http://rooms.merrow.example',
      'https://a:b@rooms.merrow.example',
      `${school.url}/door/${of('N3').link.code}`,
      'https://glen.other.example/door/heron-7k3m9qvd2xt',
      'blue room',
      '',
    ]) {
      const { status, body } = await set(id, address);
      expect([address, status, body.errors?.[0]?.path]).toEqual([address, 422, 'address']);
    }
  });
});
