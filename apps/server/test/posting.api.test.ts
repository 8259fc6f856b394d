import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer, LinkDetail } from '@glen/contract';
import { postTools, type PostTools } from './postTools.js';
import { changeDate, startSchool, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let of: PostTools['of'];
let stream: PostTools['stream'];
let send: PostTools['send'];
let post: PostTools['post'];
let read: PostTools['read'];
let reach: PostTools['reach'];
let settled: PostTools['settled'];
let page: PostTools['page'];
let pageShows: PostTools['pageShows'];
let times: PostTools['times'];
let todays: PostTools['todays'];
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  ({ of, stream, send, post, read, reach, settled, page, pageShows, times, todays } = postTools(
    school,
    host,
  ));
});
afterAll(() => school.stop());

describe('one post for many places', () => {
  it('goes to three streams, each with its own link, names and numbers', async () => {
    const { id, places } = await post('N1', {
      words: 'For {class}, period {period}: {link}',
      linkWords: 'our door',
      places: [stream('N1'), stream('N3'), stream('N6')],
    });
    expect(places.map((p) => p.where)).toEqual([
      'Stream of Coastal Navigation, period 1',
      'Stream of Coastal Navigation, period 3',
      'Stream of Coastal Navigation, period 6',
    ]);
    await reach(id, (p) => p.state === 'out' && settled(p));
    for (const [ref, letters] of [
      ['nav-1', 'N1'],
      ['nav-3', 'N3'],
      ['nav-6', 'N6'],
    ] as const) {
      const text = await page(ref);
      expect(text).toContain(
        `For Coastal Navigation, period ${letters[1]}: <a href="${school.url}/door/${of(letters).link.code}"`,
      );
    }
  });
  it('has other link words where wished, counts its readers as people, and shows what students read', async () => {
    const body = {
      words: 'Bring {bring}.',
      linkWords: 'Join {class}, period {period}',
      places: [stream('R5'), stream('R5', { readers: 'class', linkWords: 'To the ropes' })],
    };
    const roll = (await host.get(`/api/classes/${of('R5').id}`)).body.class.rollSize as number;
    const { readers, places } = (await host.post(`/api/classes/${of('R5').id}/posts/preview`, body))
      .body as Answer<'previewPost'>;
    expect(readers).toBe(roll);
    expect(places.map((p) => p.text.split('\n')[0])).toEqual([
      'Join Ropework, period 5:',
      'To the ropes:',
    ]);
    expect(places[0]!.empty).toEqual(['{bring}']);
    const { reads } = await post('R5', { ...body, timing: 'draft' });
    expect(reads).toEqual({ words: '', linkWords: 'Join Ropework, period 5' });
  });
  it('says whose place is refused, and leaves the others out', async () => {
    await fetch(`${school.courseSite}/trouble`, {
      method: 'POST',
      body: new URLSearchParams({ kind: 'refusing', ref: 'nav-3' }),
      redirect: 'manual',
    });
    const { id } = await post('N1', {
      words: 'Two of three',
      places: [stream('N1'), stream('N3')],
    });
    const mixed = await reach(id, (p) => settled(p) || p.state === 'failed');
    expect(mixed.deliveries.map((d) => d.state).sort()).toEqual(['failed', 'out']);
    expect(mixed.error).toBe('The course site refused: this class takes no posts');
    await fetch(`${school.courseSite}/trouble`, {
      method: 'POST',
      body: new URLSearchParams({ kind: 'none', ref: 'nav-3' }),
      redirect: 'manual',
    });
    await host.post(`/api/posts/${id}/retry`);
    await reach(id, (p) => p.state === 'out' && settled(p));
    expect(times(await page('nav-1'), 'Two of three')).toBe(1);
  });
  it('takes a place off and puts another on', async () => {
    const { id, version, places } = await post('N1', {
      words: 'Wandering',
      places: [stream('N1'), stream('N3')],
    });
    await reach(id, (p) => p.state === 'out' && settled(p));
    const kept = places.find((p) => p.classId === of('N1').id)!;
    const { status } = await host.put(`/api/posts/${id}`, {
      version,
      words: 'Wandering',
      linkWords: 'x',
      places: [{ id: kept.id, classId: kept.classId, kind: 'stream' }, stream('N6')],
    });
    expect(status).toBe(200);
    await pageShows('nav-6', (t) => t.includes('Wandering'));
    await pageShows('nav-3', (t) => !t.includes('Wandering'));
    expect(times(await page('nav-1'), 'Wandering')).toBe(1);
  });
});

describe('timed by its sessions', () => {
  it('out ten minutes before, once, follows the moved session, and taken down when it is over', async () => {
    const { id } = await post('N3', {
      words: 'Ten before',
      about: 'sessions',
      timing: { before: 10 },
      afterwards: 'down',
      places: [stream('N3')],
    });
    const planned = await reach(id, (p) => p.state === 'queued');
    expect(planned.due).toEqual({ date: '2026-10-14', time: '10:35' });
    await school.setTime('10:35');
    await pageShows('nav-3', (t) => t.includes('Ten before') && t.includes('Wed 14 Oct 10:45'));
    // Moved to the afternoon: what stands follows, and nothing is posted twice.
    const s = await todays('N3');
    const moved = await host.post('/api/sessions/change', {
      changes: [
        {
          seriesId: s.seriesId,
          version: (await host.get(`/api/series/${s.seriesId}`)).body.session.version,
          key: s.key,
          scope: 'one',
          change: { kind: 'move', date: '2026-10-14', time: '15:00' },
        },
      ],
    });
    expect(moved.status).toBe(200);
    const text = await pageShows('nav-3', (t) =>
      t.includes('Moved: Coastal Navigation, period 3, Wed 14 Oct, from 10:45 to 15:00'),
    );
    expect(times(text, 'Ten before')).toBe(1);
    await school.setTime('16:30');
    await pageShows('nav-3', (t) => !t.includes('Ten before'));
    await school.setTime('10:31');
    await host.post(`/api/posts/${id}/withdraw`, { version: 1 });
  });
  it('says where a cancelled session’s link stood that it is, and what a moved one was; the date, title and bring-along always right', async () => {
    const s = await todays('R5');
    const { id } = await post('R5', {
      words: 'Today: {title} at {time}. Bring {bring}.',
      about: { on: '2026-10-14' },
      places: [stream('R5')],
    });
    await pageShows('ropework', (t) =>
      t.includes(`<p>Today: Ropework, period 5 at ${s.time}.</p>`),
    );
    const date = async () => ({
      seriesId: s.seriesId,
      key: s.key,
      version: (await host.get(`/api/series/${s.seriesId}`)).body.session.version as number,
    });
    const storm = { kind: 'cancel', note: 'storm' } as const;
    expect((await changeDate(host, await date(), storm)).status).toBe(200);
    const off = await pageShows('ropework', (t) =>
      t.includes(`Cancelled: Ropework, period 5, Wed 14 Oct ${s.time} (storm)`),
    );
    expect(off).not.toContain('<p>Today: Ropework');
    expect((await read(id)).deliveries.find((d) => d.session?.id === s.id)).toMatchObject({
      state: 'out',
      session: { status: 'cancelled' },
    });
    await changeDate(host, await date(), { kind: 'restore' });
    await pageShows(
      'ropework',
      (t) => t.includes('<p>Today: Ropework') && !t.includes('Cancelled'),
    );
  });
  it('a draft waits for its release; a calendar has an entry for each date', async () => {
    const draft = await post('C', { words: 'Not yet', timing: 'draft', places: [stream('C')] });
    expect((await reach(draft.id, settled)).state).toBe('draft');
    expect(await page('clinic')).not.toContain('Not yet');
    const { version } = await read(draft.id);
    await host.put(`/api/posts/${draft.id}`, {
      version,
      words: 'Not yet',
      linkWords: 'Join',
      timing: 'now',
    });
    await pageShows('clinic', (t) => t.includes('Not yet'));
    const calendar = await post('C', {
      words: '',
      linkWords: '{title}',
      about: 'sessions',
      places: [{ classId: of('C').id, kind: 'calendar' }],
    });
    const put = await reach(calendar.id, (p) => p.deliveries.length > 3 && settled(p));
    expect(put.deliveries.every((d) => d.state === 'out')).toBe(true);
    expect(
      times(await page('clinic'), `href="${school.url}/door/${of('C').link.code}" target="_blank"`),
    ).toBeGreaterThan(10);
  });
});

describe('by hand', () => {
  it('asks at its time with what to paste, is ticked, and asks again when the link changes', async () => {
    const mine = (
      await host.post(`/api/classes/${of('N1').id}/links`, {
        label: 'By hand',
        purpose: 'Talks',
        kind: 'lesson',
        shown: true,
        audience: { classIds: [of('N1').id], groupIds: [], personIds: [], hostIds: [] },
      })
    ).body as LinkDetail;
    const { id } = await post('N1', {
      words: 'On the slide',
      timing: { at: { date: '2026-10-14', time: '10:40' } },
      places: [{ classId: of('N1').id, linkId: mine.id, kind: 'by-hand', name: 'First slide' }],
    });
    expect((await read(id)).state).toBe('queued');
    await school.setTime('10:40');
    const asked = await reach(id, (p) => p.state === 'todo');
    const placementId = asked.deliveries[0]!.placementId!;
    const titles = async (): Promise<string[]> =>
      (await host.get('/api/today')).body.notes.map((n: { title: string }) => n.title);
    expect(await titles()).toContain('By hand: First slide, Coastal Navigation, period 1');
    const { body: forms } = await host.get(`/api/placements/${placementId}/forms`);
    expect(forms.text).toContain(`/door/${mine.code}`);
    expect(forms.markdown).toContain(`](${school.url}/door/${mine.code})`);
    await host.post(`/api/placements/${placementId}`, { do: 'done' });
    expect((await read(id)).deliveries[0]!.state).toBe('done');
    const { version } = (await host.get(`/api/links/${mine.id}`)).body;
    await host.post(`/api/links/${mine.id}/replace`, { version, why: 'leaked', how: 'stop' });
    await reach(id, (p) => p.deliveries[0]!.state === 'todo');
    await school.setTime('10:31');
  });
});

describe('what must not be', () => {
  const errorsOf = async (
    letters: string,
    body: object,
  ): Promise<{ path: string; message: string }[]> => (await send(letters, body)).body.errors;
  it('a private link where others read is stopped, and says who would see it', async () => {
    const link: LinkDetail = (await host.get(`/api/classes/${of('R5').id}/links`)).body.links.find(
      (l: LinkDetail) => l.label === 'Starboard watch',
    );
    const [error] = await errorsOf('R5', { places: [stream('R5', { linkId: link.id })] });
    expect(error!.path).toBe('places.0.readers');
    expect(error!.message).toMatch(
      /^This link would be seen by .+ and \d+ more, whom it is not for\.$/,
    );
    const [wrongClass] = await errorsOf('N1', {
      places: [stream('N1', { linkId: of('W2').link.id })],
    });
    expect(wrongClass!.message).toContain('whom it is not for');
  });
  it('an entry code where others read', async () => {
    const { version } = (await host.get(`/api/classes/${of('HE').id}/rules`)).body;
    await host.put(`/api/classes/${of('HE').id}/rules`, {
      version,
      rules: { whoMayEnter: 'anyone', entryCode: 'gull' },
    });
    const [error] = await errorsOf('N1', {
      words: 'Code: {entryCode}',
      places: [stream('N1', { linkId: of('HE').link.id })],
    });
    expect(error!.message).toMatch(/^The entry code would be seen by /);
    const [typed] = await errorsOf('N1', {
      words: 'Say GU LL at the door.',
      places: [stream('N1', { linkId: of('HE').link.id })],
    });
    expect(typed!.message).toMatch(/^The entry code would be seen by /);
    expect(
      (
        await send('N1', {
          words: 'Come all',
          places: [stream('N1', { linkId: of('HE').link.id })],
        })
      ).status,
    ).toBe(200);
  });
  it('a class period that is not one’s own, an empty audience, a calendar without sessions, an item without a section, no place at all', async () => {
    const bram = await school.as('Bram Osterholt');
    const { body } = await bram.post(`/api/classes/${of('S4').id}/posts`, {
      words: 'x',
      linkWords: 'y',
      places: [stream('N1')],
    });
    expect(body.errors[0]).toEqual({
      path: 'places.0.classId',
      message: 'You do not host this class period.',
    });
    expect(
      (await errorsOf('HE', { places: [stream('HE', { readers: 'audience' })] }))[0]!.message,
    ).toBe('Nobody of this class period would see it.');
    expect(
      (await errorsOf('N1', { places: [{ classId: of('N1').id, kind: 'calendar' }] }))[0]!.path,
    ).toBe('places.0.kind');
    expect(
      (await errorsOf('N1', { places: [{ classId: of('N1').id, kind: 'item' }] }))[0]!.path,
    ).toBe('places.0.section');
    expect((await errorsOf('N1', { places: [] }))[0]!.message).toBe('Choose at least one place.');
    expect((await errorsOf('N1', { timing: { before: 10 } }))[0]!.path).toBe('timing');
  });
  it('too long a text keeps to a message; a megabyte is turned down', async () => {
    expect((await send('N1', { words: 'x'.repeat(400_000) })).body.errors[0]).toEqual({
      path: 'words',
      message: 'At most 20000 characters.',
    });
    expect((await send('N1', { words: 'x'.repeat(1_200_000) })).status).toBe(413);
  });
  it('markup and script, in any field, come out as text', async () => {
    await post('W2', {
      words: [
        {
          kind: 'list',
          ordered: false,
          items: [
            [
              { text: '<script>alert(1)</script>', bold: true },
              { text: 'x', href: 'javascript:alert(2)' },
            ],
          ],
        },
      ],
      linkWords: '<img src=x onerror=alert(3)>',
      places: [
        {
          classId: of('W2').id,
          kind: 'item',
          title: '"><svg onload=alert(4)>',
          section: { title: '<b>Head</b>' },
        },
      ],
    });
    const text = await pageShows('weather-2', (t) => t.includes('alert(1)'));
    expect(text).not.toMatch(/<script>alert|javascript:alert|<svg|<img|<b>Head/);
  });
});
