import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { PRIVATE_SESSION } from '@glen/core';
import type { Answer, ClassItem, LinkDetail } from '@glen/contract';
import { linkTools, none, type LinkTools } from './linkTools.js';
import { Browser, startSchool, type School } from './support.js';

// What is somebody's own stays so: drafts are their class period's hosts' alone, and what private sessions are called is
// for those whom they are for.

let school: School;
let host: Browser;
let n3: ClassItem;
let tools: LinkTools;
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  n3 = school.classes.get('N3')!;
  tools = linkTools(school, host);
});
afterAll(() => school.stop());

const VISITING = 'Signe Aalto';
const CO_TEACHER = 'Tomas Verhage';
const HEAD = 'Noor Achterberg';
const STRANGERS = [VISITING, HEAD, 'Perpetua Lund'];

const plan = (body: object): Promise<Answer<'addSession'>> =>
  host.post(`/api/classes/${n3.id}/sessions`, body).then(({ body: made }) => made);

describe('a draft', () => {
  const SECRET = 'The surprise for Ansel';
  let seriesId: number;
  beforeAll(async () => {
    const { session } = await plan({
      title: SECRET,
      description: 'Nobody tells him.',
      draft: true,
      plan: { first: '2026-10-29', at: { time: '17:00', minutes: 30 } },
    });
    seriesId = session.seriesId;
  });

  const questions = (): string[] => [
    `/api/series/${seriesId}`,
    `/api/series/${seriesId}/calendar`,
    `/api/series/${seriesId}/rules`,
  ];

  it.each(STRANGERS)('is not there for %s, whatever asks for it', async (name) => {
    const stranger = await school.as(name);
    for (const path of questions()) expect((await stranger.get(path)).status, path).toBe(404);
    const klass = await stranger.get(`/api/classes/${n3.id}`);
    expect(klass.status).toBe(200);
    expect(klass.text).not.toContain(SECRET);
  });

  it.each(['Ottoline Marsh', CO_TEACHER])('is there for %s', async (name) => {
    const browser = await school.as(name);
    for (const path of questions()) expect((await browser.get(path)).status, path).toBe(200);
    expect((await browser.get(`/api/classes/${n3.id}`)).text).toContain(SECRET);
  });
});

describe('a draft of a post', () => {
  const WORDS = 'Not to be read before Friday';
  let postId: number;
  beforeAll(async () => {
    const { body } = await host.post(`/api/classes/${n3.id}/posts`, {
      words: WORDS,
      linkWords: 'Come in',
      timing: 'draft',
    });
    postId = body.post.id;
  });

  it.each(STRANGERS)('is not there for %s', async (name) => {
    const stranger = await school.as(name);
    const lists = await Promise.all([
      stranger.get(`/api/classes/${n3.id}/posts`),
      stranger.get('/api/posts'),
      stranger.get('/api/today'),
    ]);
    for (const list of lists) {
      expect(list.status).toBe(200);
      expect(list.text).not.toContain(WORDS);
    }
    expect((await stranger.get(`/api/posts/${postId}/history`)).status).toBe(404);
  });

  it('is there for a co-teacher', async () => {
    const coTeacher = await school.as(CO_TEACHER);
    expect((await coTeacher.get(`/api/classes/${n3.id}/posts`)).text).toContain(WORDS);
    expect((await coTeacher.get(`/api/posts/${postId}/history`)).status).toBe(200);
  });
});

describe('what a private session is called', () => {
  const TITLE = 'About the second warning';
  const LABEL = 'Talks with Ansel Grue';
  const DAY = '2026-11-05';
  let link: LinkDetail;
  let seriesId: number;
  beforeAll(async () => {
    link = await tools.make('N3', {
      label: LABEL,
      kind: 'one-to-one',
      audience: { ...none, personIds: [school.person('Ansel Grue').id] },
    });
    const { session } = await plan({
      title: TITLE,
      description: 'What we agreed on in June.',
      linkId: link.id,
      plan: { first: DAY, at: { time: '17:00', minutes: 30 } },
    });
    seriesId = session.seriesId;
  });

  const strip = (browser: Browser) =>
    browser.get(`/api/strip?from=${DAY}&to=${DAY}&of=all`).then(({ body, text }) => {
      const { series } = body as Answer<'strip'>;
      return { text, title: series.find((s) => s.id === seriesId)?.title };
    });

  it('stands in the strip of all class periods for its hosts alone', async () => {
    for (const name of [HEAD, 'Bram Osterholt']) {
      const seen = await strip(await school.as(name));
      expect(seen.title).toBe(PRIVATE_SESSION);
      expect(seen.text).not.toContain(TITLE);
    }
    expect((await strip(host)).title).toBe(TITLE);
    expect((await strip(await school.as(CO_TEACHER))).title).toBe(TITLE);
  });

  it('stands in the class period, and at the session itself, for its hosts alone', async () => {
    const paths = [
      `/api/classes/${n3.id}`,
      `/api/series/${seriesId}`,
      `/api/series/${seriesId}/calendar`,
      `/api/links/${link.id}/invitation`,
    ];
    const head = await school.as(HEAD);
    for (const path of paths) {
      const { status, text } = await head.get(path);
      expect(status, path).toBe(200);
      expect(text, path).not.toContain(TITLE);
      expect(text, path).not.toContain('What we agreed on');
      expect((await host.get(path)).text, path).toContain(TITLE);
    }
  });

  it('is not told by what else people have on the books', async () => {
    const otherClass = school.classes.get('R5')!;
    const ask = (browser: Browser) =>
      browser.get(`/api/classes/${otherClass.id}/bookings?from=${DAY}&to=${DAY}`);
    // Idris visits Ropework, whose host talks with Ansel.
    const visiting = await ask(await school.as('Idris Kellaway'));
    expect(visiting.status).toBe(200);
    expect(visiting.text).not.toContain(TITLE);
    expect(visiting.text).toContain(PRIVATE_SESSION);
    expect((await ask(host)).text).toContain(TITLE);
  });

  it('is not told at the door to whoever has the code', async () => {
    await school.setTime('17:05', DAY);
    const paths = [`/api/door/${link.code}`, `/api/door/${link.code}/how`];
    const strangers = [new Browser(school.url), await school.as('Bram Osterholt')];
    for (const stranger of strangers)
      for (const path of paths) {
        const { status, text } = await stranger.get(path);
        expect(status, path).toBe(200);
        expect(text, path).toContain(PRIVATE_SESSION);
        expect(text, path).not.toContain(TITLE);
        expect(text, path).not.toContain(LABEL);
      }
    const ansel = await school.as('Ansel Grue');
    expect((await ansel.get(paths[0]!)).body).toMatchObject({ title: TITLE });
    expect((await host.get(paths[0]!)).body).toMatchObject({ title: TITLE });
  });

  it('is not told by the office’s log', async () => {
    const { text } = await (await school.as(HEAD)).get('/api/happened');
    expect(text).toContain(PRIVATE_SESSION);
    expect(text).not.toContain(TITLE);
  });
});
