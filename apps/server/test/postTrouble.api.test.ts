import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { resolveRules, reviewRules } from '@glen/core';
import type { Answer, LinkDetail } from '@glen/contract';
import { reconcilePost } from '../src/features/post/reconcilePost.js';
import { postTools, type PostTools } from './postTools.js';
import { postOf, until, startSchool, type Browser, type School } from './support.js';

type Rules = Answer<'rules'>;

let school: School;
let host: Browser;
let of: PostTools['of'];
let stream: PostTools['stream'];
let post: PostTools['post'];
let read: PostTools['read'];
let reach: PostTools['reach'];
let settled: PostTools['settled'];
let page: PostTools['page'];
let pageShows: PostTools['pageShows'];
let times: PostTools['times'];
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  ({ of, stream, post, read, reach, settled, page, pageShows, times } = postTools(school, host));
});
afterAll(() => school.stop());

describe('trouble', () => {
  it('an item that somebody deleted on the site is noticed, and put back when asked', async () => {
    const { id } = await post('C', { words: 'Deleted there', places: [stream('C')] });
    const out = await reach(id, (p) => p.state === 'out' && settled(p));
    const placementId = out.deliveries[0]!.placementId!;
    await fetch(`${school.courseSite}/class/clinic/take-off`, {
      method: 'POST',
      headers: { Cookie: 'board_reader=o.marsh@merrow.example' },
      body: new URLSearchParams({ kind: 'post', key: `glen-${placementId}` }),
      redirect: 'manual',
    });
    // A look is on the books by itself, from the first thing that was put there.
    const look = `kind = 'look' AND subject = '${of('C').id}' AND state = 'queued'`;
    const { db } = school.running.glen;
    expect(await db.rows(`SELECT id FROM outbox WHERE ${look}`)).toHaveLength(1);
    await db.change(`UPDATE outbox SET due_at = '2020-01-01 00:00:00' WHERE ${look}`);
    await reach(id, (p) => p.deliveries[0]!.state === 'missing');
    await until(
      () => db.rows(`SELECT id FROM outbox WHERE ${look} AND due_at > '2021-01-01 00:00:00'`),
      (rows) => rows.length === 1,
    );
    expect((await host.post(`/api/classes/${of('C').id}/look`)).body).toEqual({ missing: 1 });
    expect((await read(id)).deliveries[0]!.state).toBe('missing');
    await host.post(`/api/placements/${placementId}`, { do: 'put-back' });
    await reach(id, (p) => p.deliveries[0]!.state === 'out' && settled(p));
    expect(times(await page('clinic'), 'Deleted there')).toBe(1);
  });
  it('one place is taken down by itself, and put back', async () => {
    const { id } = await post('N1', {
      words: 'Here and there',
      places: [stream('N1'), stream('N3')],
    });
    const out = await reach(id, (p) => p.state === 'out' && settled(p));
    const there = out.deliveries[1]!.placementId!;
    await host.post(`/api/placements/${there}`, { do: 'take-down' });
    await pageShows('nav-3', (t) => !t.includes('Here and there'));
    expect(await page('nav-1')).toContain('Here and there');
    await host.post(`/api/placements/${there}`, { do: 'put-back' });
    await pageShows('nav-3', (t) => t.includes('Here and there'));
  });
  it('killed between sending and noting: done again, once', async () => {
    const { id } = await post('N1', { words: 'Sent, not noted', places: [stream('N1')] });
    const out = await reach(id, (p) => p.state === 'out' && settled(p));
    const { db } = school.running.glen;
    // As a process leaves it that dies after the site answered: running under a lease that has run out, nothing noted.
    await db.change(
      'UPDATE placements SET sent_revision = 0, sent_body = NULL, out_since = NULL WHERE id = :id',
      { id: out.deliveries[0]!.placementId! },
    );
    await db.change(
      `UPDATE outbox SET state = 'running', lease_until = '2020-01-01 00:00:00' WHERE kind = 'placement' AND subject = :subject`,
      { subject: String(out.deliveries[0]!.placementId) },
    );
    await reach(id, (p) => p.state === 'out' && settled(p));
    expect(times(await page('nav-1'), 'Sent, not noted')).toBe(1);
  });
  it('followed twice at once, nothing is made twice', async () => {
    const { id } = await post('N1', {
      words: 'Followed twice',
      places: [stream('N1'), stream('N3')],
    });
    await Promise.all([1, 2, 3].map(() => reconcilePost(school.running.glen, id)));
    await reach(id, (p) => p.state === 'out' && settled(p));
    expect(times(await page('nav-1'), 'Followed twice')).toBe(1);
  });
  it('a class period lost yesterday: what was planned for it stays behind, and says why', async () => {
    const tomas = await school.as('Tomas Verhage');
    const { body } = await tomas.post(`/api/classes/${of('N1').id}/posts`, {
      words: 'By Tomas',
      linkWords: 'x',
      timing: { at: { date: '2026-10-14', time: '12:00' } },
      places: [stream('N1'), stream('N3')],
    });
    const { db } = school.running.glen;
    await db.change(`DELETE FROM class_staff WHERE class_id = :classId AND person_id = :personId`, {
      classId: of('N3').id,
      personId: school.person('Tomas Verhage').id,
    });
    await school.setTime('12:00');
    await pageShows('nav-1', (t) => t.includes('By Tomas'));
    const after = await reach(body.post.id, (p) => p.state === 'failed');
    expect(after.error).toBe('Tomas Verhage no longer hosts Coastal Navigation, period 3.');
    expect(await page('nav-3')).not.toContain('By Tomas');
    await school.setTime('10:31');
    await db.models.ClassStaff.create({
      class_id: of('N3').id,
      person_id: school.person('Tomas Verhage').id,
      as_what: 'co-teacher',
    });
  });
  it('sixty placements follow one replaced link, each once', async () => {
    const { link } = of('W2');
    const ids = await Promise.all(
      Array.from({ length: 20 }, (_, i) =>
        post('W2', {
          words: `Sheet ${i}.`,
          places: [
            stream('W2'),
            { classId: of('W2').id, kind: 'item', section: { title: `S${i}` } },
            stream('W2', { readers: 'audience' }),
          ],
        }).then((p) => p.id),
      ),
    );
    for (const id of ids) await reach(id, (p) => p.state === 'out' && settled(p));
    const { version } = (await host.get(`/api/links/${link.id}`)).body;
    const { body: replaced } = await host.post(`/api/links/${link.id}/replace`, {
      version,
      why: 'tidy-up',
      how: 'stop',
    });
    const text = await pageShows('weather-2', (t) => !t.includes(link.code));
    for (let i = 0; i < 20; i++) expect(times(text, `<p>Sheet ${i}.</p>`)).toBe(3);
    expect(times(text, replaced.code)).toBeGreaterThanOrEqual(60);
  });
  it('who did what is kept', async () => {
    const { id, version } = await post('N1', { words: 'History' });
    await host.post(`/api/posts/${id}/withdraw`, { version });
    expect(
      (await host.get(`/api/posts/${id}/history`)).body.entries.map(
        (e: { by: string; did: string }) => `${e.by} ${e.did}`,
      ),
    ).toEqual(['Ottoline Marsh withdrew it', 'Ottoline Marsh posted it']);
  });
  it('a co-teacher of one place alone cannot change a post that goes further', async () => {
    const { id, version } = await post('N1', {
      words: 'Further',
      places: [stream('N1'), stream('W2')],
    });
    const tomas = await school.as('Tomas Verhage');
    expect((await postOf(tomas, id)).mayEdit).toBe(false);
    expect((await tomas.post(`/api/posts/${id}/withdraw`, { version })).status).toBe(403);
  });
});

describe('what a link’s rules have to do with where it stands', () => {
  const findingsOf = async (linkId: number): Promise<string[]> => {
    const { layers, setting } = (await host.get(`/api/links/${linkId}/rules`)).body as Rules;
    return reviewRules(resolveRules(layers).rules, setting).map((f) => f.code);
  };
  const linkWith = async (rules: object): Promise<LinkDetail> => {
    const { body: link } = await host.post(`/api/classes/${of('N1').id}/links`, {
      label: `Open ${JSON.stringify(rules)}`,
      purpose: 'Talks',
      kind: 'help',
      shown: true,
      audience: { classIds: [of('N1').id], groupIds: [], personIds: [], hostIds: [] },
    });
    await host.put(`/api/links/${link.id}/rules`, { version: link.version, rules });
    return link;
  };

  it('a place beyond its audience is found, and the class’s own is not', async () => {
    const link = await linkWith({ whoMayEnter: 'school', straightIn: 'school' });
    const place = { linkId: link.id, kind: 'stream' };
    await post('N1', { words: 'Own', places: [{ ...place, classId: of('N1').id }] });
    expect(await findingsOf(link.id)).not.toContain('link-in-public');
    await post('N1', { words: 'Wide', places: [{ ...place, classId: of('W2').id }] });
    expect(await findingsOf(link.id)).toContain('link-in-public');
  });

  it('the words of a single place count for the code, where they differ from the post’s', async () => {
    const link = await linkWith({ entryCode: 'spindrift' });
    const place = { linkId: link.id, classId: of('N1').id, kind: 'stream' };
    const words = 'The code is {entryCode}.';
    const sent = (own: string | null) => ({ words, places: [place, { ...place, words: own }] });
    const preview = async (own: string | null) =>
      (
        await host.post(`/api/classes/${of('N1').id}/posts/preview`, {
          linkWords: 'Join',
          ...sent(own),
        })
      ).body;
    expect(await preview(null)).toMatchObject({ asksCode: true, givesCode: true });
    expect(await preview('Come in.')).toMatchObject({ asksCode: true, givesCode: false });
    const { id, version } = await post('N1', sent('Come in.'));
    expect(await findingsOf(link.id)).toContain('code-not-sent');
    await host.put(`/api/posts/${id}`, { ...sent(null), linkWords: 'Join', version });
    expect(await findingsOf(link.id)).not.toContain('code-not-sent');
  });

  it('a code that is set or changed later follows to where its readers stand, and to nowhere else', async () => {
    const open = { whoMayEnter: 'anyone', straightIn: 'hosts' };
    const link = await linkWith(open);
    const words = 'Come and see. The code is {entryCode}.';
    const at = (letters: string) => ({ linkId: link.id, classId: of(letters).id, kind: 'stream' });
    const { id } = await post('N1', { words, places: [at('N1'), at('W2')] });
    await reach(id, (p) => p.state === 'out' && settled(p));
    const setCode = async (entryCode: string): Promise<void> => {
      const { version } = (await host.get(`/api/links/${link.id}`)).body;
      const body = { version, rules: { ...open, entryCode } };
      expect((await host.put(`/api/links/${link.id}/rules`, body)).status).toBe(200);
    };
    for (const code of ['plover 472', 'curlew 538']) {
      await setCode(code);
      await pageShows('nav-1', (text) => text.includes(`The code is ${code}.`));
      await reach(id, settled);
      const beyond = await page('weather-2');
      expect(beyond).toContain('Come and see.');
      expect(beyond).not.toMatch(/plover|curlew/);
    }
  });
});

describe('done by hand', () => {
  it('is written down with its place, or not at all', async () => {
    const { id } = await post('N1', {
      words: 'Pin',
      places: [{ classId: of('N1').id, kind: 'by-hand' }],
    });
    const { deliveries } = await reach(id, settled);
    const { db } = school.running.glen;
    await db.define(
      `CREATE TRIGGER no_placing BEFORE UPDATE ON placements FOR EACH ROW SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'not now'`,
    );
    try {
      const { status } = await host.post(`/api/placements/${deliveries[0]!.placementId}`, {
        do: 'done',
      });
      expect(status).toBe(500);
    } finally {
      await db.define('DROP TRIGGER no_placing');
    }
    const { entries } = (await host.get(`/api/posts/${id}/history`)).body;
    expect(entries.map((e: { did: string }) => e.did)).toEqual(['posted it']);
  });
  it('is not asked for again where the same is to stand there, and is told in school time', async () => {
    const byHand = { classId: of('N1').id, kind: 'by-hand', name: 'Slide' };
    const { id, version, places } = await post('N1', {
      words: 'Pinned by hand',
      places: [byHand, stream('N3')],
    });
    const { deliveries } = await reach(id, settled);
    const slide = deliveries.find((d) => d.placeId === places[0]!.id)!;
    await host.post(`/api/placements/${slide.placementId}`, { do: 'done' });
    // Other words at the stream alone, then at the slide too.
    const edit = async (words: string, atStream: string | null, from: number): Promise<void> => {
      const kept = places.map((p, i) => ({
        id: p.id,
        classId: p.classId,
        kind: p.kind,
        name: p.name,
        words: i === 0 ? null : atStream,
      }));
      const body = { version: from, words, linkWords: 'Join {title}, {date} {time}', places: kept };
      expect((await host.put(`/api/posts/${id}`, body)).status).toBe(200);
    };
    const stateOfSlide = async (): Promise<string> =>
      (await reach(id, settled)).deliveries.find((d) => d.placeId === places[0]!.id)!.state;
    await edit('Pinned by hand', 'At the stream', version);
    await until(
      () => page('nav-3'),
      (text) => text.includes('At the stream'),
    );
    expect(await stateOfSlide()).toBe('done');
    await edit('Pinned anew', 'At the stream', version + 1);
    await reach(id, (p) => p.deliveries.some((d) => d.state === 'todo'));
    await edit('Pinned by hand', 'At the stream', version + 2);
    await reach(id, (p) => p.deliveries.every((d) => d.state !== 'todo'));
    expect(await stateOfSlide()).toBe('done');
    const { entries } = (await host.get(`/api/posts/${id}/history`)).body;
    expect(entries.map((e: { did: string }) => e.did)).toEqual([
      'changed its words',
      'changed its words',
      'changed where it goes',
      'put it up by hand: Slide, Coastal Navigation, period 1',
      'posted it',
    ]);
    expect(entries.every((e: { at: string }) => e.at.startsWith('2026-10-14'))).toBe(true);
  });
});
