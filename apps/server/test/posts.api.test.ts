import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { ClassItem, Post } from '@glen/contract';
import { Clock } from '../src/clock.js';
import { claim, enqueue, finish } from '../src/jobs/outbox.js';
import { startSchool, until, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let n1: ClassItem;
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  n1 = school.classes.get('N1')!;
});
afterAll(() => school.stop());

const post = async (more: object = {}): Promise<Post> =>
  (
    await host.post(`/api/classes/${n1.id}/posts`, {
      words: 'Bring dividers.',
      linkWords: 'Join {title}',
      ...more,
    })
  ).body.post;
const read = async (id: number): Promise<Post> =>
  (await host.get(`/api/classes/${n1.id}/posts`)).body.posts.find((p: Post) => p.id === id);
const reach = (id: number, wished: (p: Post) => boolean): Promise<Post> =>
  until(() => read(id), wished);

/** What a student reads on the class stream of the stand-in course site. */
async function stream(): Promise<string> {
  const page = await fetch(`${school.courseSite}/class/nav-1`, {
    headers: { Cookie: 'board_reader=o.marsh@merrow.example' },
  });
  return page.text();
}
const times = (text: string, words: string): number => text.split(words).length - 1;

describe('a post', () => {
  it('goes out once, with words as its link', async () => {
    const { id } = await post({ words: 'First <i>of</i> all' });
    await reach(id, (p) => p.state === 'out' && !p.pending);
    const page = await stream();
    expect(times(page, 'First &lt;i&gt;of&lt;/i&gt; all')).toBe(1);
    expect(page).toContain(
      `<a href="${school.url}/door/${n1.link.code}" target="_blank" rel="noopener noreferrer">Join Coastal Navigation, period 1</a>`,
    );
  });
  it('waits for its time in school time, and follows the moved clock', async () => {
    const { id, state } = await post({
      words: 'At noon',
      timing: { at: { date: '2026-10-14', time: '12:00' } },
    });
    expect(state).toBe('queued');
    expect(await stream()).not.toContain('At noon');
    await school.setTime('12:00');
    await reach(id, (p) => p.state === 'out');
    // Going back sends nothing twice.
    await school.setTime('10:31');
    await school.setTime('12:01');
    await school.setTime('10:31');
    expect(times(await stream(), 'At noon')).toBe(1);
  });
  it('is changed and withdrawn where it stands, and put back', async () => {
    const { id } = await post({ words: 'Before' });
    const out = await reach(id, (p) => p.state === 'out' && !p.pending);
    await host.put(`/api/posts/${id}`, { words: 'After', linkWords: 'Join', version: out.version });
    await until(stream, (page) => page.includes('After') && !page.includes('Before'));
    const edited = await reach(id, (p) => !p.pending);
    await host.post(`/api/posts/${id}/withdraw`, { version: edited.version });
    await until(stream, (page) => !page.includes('After'));
    const gone = await reach(id, (p) => p.state === 'withdrawn' && !p.pending);
    await host.post(`/api/posts/${id}/restore`, { version: gone.version });
    await until(stream, (page) => page.includes('After'));
  });
  it('tells the second of two editors how it stands', async () => {
    const { id, version } = await post({
      words: 'Contested',
      timing: { at: { date: '2026-12-01', time: '12:00' } },
    });
    const edit = { words: 'Mine', linkWords: 'x', version };
    expect(
      (
        await host.put(`/api/posts/${id}`, {
          ...edit,
          timing: { at: { date: '2026-12-01', time: '12:00' } },
        })
      ).status,
    ).toBe(200);
    const late = await host.put(`/api/posts/${id}`, edit);
    expect(late.status).toBe(409);
    expect(late.body.current).toMatchObject({ words: 'Mine', version: version + 1 });
  });
  it('is refused beside its field', async () => {
    const { body } = await host.post(`/api/classes/${n1.id}/posts`, {
      words: 'x'.repeat(20001),
      linkWords: 'y',
      timing: { at: { date: 'soon', time: '12:00' } },
    });
    expect(body.errors.map((e: { path: string }) => e.path).sort()).toEqual([
      'timing.at.date',
      'words',
    ]);
  });
});

describe('a course site in trouble', () => {
  it('that is down: the post waits with its reason and goes out later, once', async () => {
    await school.courseSiteTrouble('down');
    const { id } = await post({ words: 'Through the storm' });
    const waiting = await reach(id, (p) => p.tries > 0 && p.error !== null);
    expect(waiting).toMatchObject({
      state: 'queued',
      error: 'The course site has trouble: closed for repairs',
    });
    expect(
      (await host.get('/api/today')).body.notes.map((n: { title: string }) => n.title),
    ).toContain('A post to Coastal Navigation, period 1 waits for the course site');
    await school.courseSiteTrouble('none');
    await reach(id, (p) => p.state === 'out' && p.error === null);
    expect(times(await stream(), 'Through the storm')).toBe(1);
  });
  it('that refuses: kept as failed with the reason, tried again when asked', async () => {
    await school.courseSiteTrouble('refusing');
    const { id } = await post({ words: 'Refused at first' });
    const failed = await reach(id, (p) => p.state === 'failed');
    expect(failed.error).toBe('The course site refused: this class takes no posts');
    await school.courseSiteTrouble('none');
    await host.post(`/api/posts/${id}/retry`);
    await reach(id, (p) => p.state === 'out');
    expect(times(await stream(), 'Refused at first')).toBe(1);
  });
  it('that does it and says it failed: still only one', async () => {
    await school.courseSiteTrouble('twice');
    const { id } = await post({ words: 'Said twice' });
    await reach(id, (p) => p.state === 'out' && !p.pending);
    await school.courseSiteTrouble('none');
    expect(times(await stream(), 'Said twice')).toBe(1);
  });
});

describe('the outbox', () => {
  const glen = () => school.running.glen;
  // What other tests left waiting for a later school time would be due by the clocks used here.
  beforeEach(() => glen().db.change(`UPDATE outbox SET state = 'done'`));
  it('gives a job to one claimer, and again only when its lease has run out', async () => {
    const { db } = glen();
    let machine = Math.floor(Date.now() / 1000) + 100000;
    const clock = new Clock(db, () => machine);
    // Due only for a clock that is far ahead, so that the server's own runner leaves it alone.
    await db.transaction(() => enqueue(db, clock, { kind: 'end-room', subject: 'nowhere' }));
    const claims = await Promise.all([claim(db, clock), claim(db, clock), claim(db, clock)]);
    expect(claims.filter((job) => job?.subject === 'nowhere')).toHaveLength(1);
    expect(await claim(db, clock)).toBeUndefined();
    machine += 31;
    const again = (await claim(db, clock))!;
    expect(again).toMatchObject({ subject: 'nowhere', tries: 2 });
    // The first claimer, back from the dead, cannot finish what is no longer its own.
    await finish(db, { ...again, tries: 1 });
    const state = async () =>
      (await db.one<{ state: string }>('SELECT state FROM outbox WHERE id = :id', {
        id: again.id,
      }))!.state;
    expect(await state()).toBe('running');
    await finish(db, again);
    expect(await state()).toBe('done');
  });
  it('keeps one job for each subject, however often it is wished for; of a sooner wish the earlier time counts', async () => {
    const { db, clock } = glen();
    const wish = (dueSchool: string | null, sooner: boolean) =>
      db.transaction(() =>
        enqueue(db, clock, { kind: 'end-room', subject: 'wished', dueSchool, sooner }),
      );
    const waiting = () =>
      db.rows<{ due_school: string | null }>(
        `SELECT due_school FROM outbox WHERE subject = 'wished' AND state = 'queued'`,
      );
    await wish('2030-01-01T12:00:00Z', false);
    await wish('2030-01-01T12:00:00Z', false);
    expect(await waiting()).toEqual([{ due_school: '2030-01-01T12:00:00Z' }]);
    await wish('2031-01-01T12:00:00Z', true);
    expect(await waiting()).toEqual([{ due_school: '2030-01-01T12:00:00Z' }]);
    await wish('2029-01-01T12:00:00Z', true);
    expect(await waiting()).toEqual([{ due_school: '2029-01-01T12:00:00Z' }]);
    await wish('2031-01-01T12:00:00Z', false);
    expect(await waiting()).toEqual([{ due_school: '2031-01-01T12:00:00Z' }]);
  });
  it('never runs two jobs of one subject at once', async () => {
    const { db } = glen();
    const machine = Math.floor(Date.now() / 1000) + 200000;
    const clock = new Clock(db, () => machine);
    const put = () =>
      db.transaction(() =>
        enqueue(db, clock, {
          kind: 'put-out',
          subject: 'room:1',
          payload: { room: 'none', visitor: 1 },
        }),
      );
    await put();
    const first = (await claim(db, clock))!;
    await put();
    expect(await claim(db, clock)).toBeUndefined();
    await finish(db, first);
    const second = (await claim(db, clock))!;
    expect(second.subject).toBe('room:1');
    await finish(db, second);
  });
});
