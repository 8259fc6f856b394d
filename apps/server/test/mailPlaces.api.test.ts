import { simpleParser } from 'mailparser';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer, Post } from '@glen/contract';
import { Housekeeping } from '../src/operating/housekeeping.js';
import { mailTrouble, mailsCome, mailsFor } from './mailTools.js';
import { postTools, type PostTools } from './postTools.js';
import { startSchool, until, type Browser, type School } from './support.js';

// Mail as a place of posts: a letter to each, what has become of them, and who is reached by them.

let school: School;
let host: Browser;
let tools: PostTools;
let pupils: { id: number; name: string; email: string }[];

beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  tools = postTools(school, host);
  const { roll } = (await host.get(`/api/classes/${tools.of('R5').id}`))
    .body as Answer<'classPeriod'>;
  pupils = roll.map(({ id, name }) => {
    const { accounts } = school.person(name);
    return { id, name, email: accounts.find((account) => account.kind === 'school')!.email };
  });
});
afterEach(() => school.stop());

const mail = (more: object = {}): object => ({ classId: tools.of('R5').id, kind: 'mail', ...more });
const write = (more: object = {}, place: object = {}): Promise<Post> =>
  tools.post('R5', {
    words: 'Bring a **marlinspike**.',
    linkWords: 'To the ropes',
    places: [mail(place)],
    ...more,
  });

type Letters = NonNullable<Post['deliveries'][number]['letters']>;
const lettersOf = (post: Post): Letters | null => post.deliveries[0]?.letters ?? null;
/** As soon as none of its letters is on the way any more. */
const sent = async (id: number): Promise<Letters> =>
  lettersOf(
    await tools.reach(id, (post) => tools.settled(post) && lettersOf(post)?.waiting === 0),
  )!;

describe('a post by mail', () => {
  it('is a letter to each on the roll, plain and rich, answered to whoever wrote it', async () => {
    const post = await write({}, { title: 'Ropes, {title}' });
    expect(post.places[0]!.where).toBe('Mail to Ropework, period 5');
    expect(await sent(post.id)).toEqual({ sent: pupils.length, waiting: 0, glen: 0, refused: [] });
    for (const { email } of pupils) expect(await mailsFor(school, email)).toHaveLength(1);
    const [letter] = await mailsFor(school, pupils[0]!.email);
    const address = `${school.url}/door/${tools.of('R5').link.code}`;
    expect(letter!.subject).toMatch(/^Ropes, /);
    expect(letter!.text).toContain(`To the ropes:\n${address}`);
    expect(letter!.html).toContain(`<a href="${address}"`);
    expect(letter!.replyTo!.text).toBe('"Ottoline Marsh" <o.marsh@merrow.example>');
    expect(letter!.source.replace(/\r\n\s+/g, ' ')).toMatch(/^List-Unsubscribe: <http/m);
    const pupil = await school.as(pupils[0]!.name);
    const { words } = (await pupil.get('/api/words')).body as Answer<'words'>;
    expect(words[0]!.title).toBe(letter!.subject);
  });
  it('goes to a group alone, and to nobody else', async () => {
    const { groups } = (await host.get(`/api/classes/${tools.of('R5').id}/groups`))
      .body as Answer<'groups'>;
    const [group] = groups;
    const post = await write({}, { readers: { groupId: group!.id } });
    expect((await sent(post.id)).sent).toBe(group!.members.length);
    const inGroup = new Set(group!.members);
    const other = pupils.find((pupil) => !inGroup.has(pupil.id))!;
    expect(await mailsFor(school, other.email)).toEqual([]);
  });
  it('has its session along as a calendar file where that is wished', async () => {
    const { id } = await tools.todays('R5');
    const post = await write({ about: 'sessions', timing: { before: 10 } }, { withCalendar: true });
    await host.post(`/api/posts/${post.id}/now`, { occurrenceId: id });
    const [letter] = await mailsCome(school, pupils[0]!.email, 1);
    const [file] = letter!.attachments;
    expect(file!.filename).toBe('session.ics');
    expect(file!.content.toString('utf8')).toContain('BEGIN:VEVENT');
    expect(file!.content.toString('utf8')).toContain('DTSTART:20261014T');
  });
  it('is heard of as each wishes', async () => {
    const [inGlen, notAtAll] = pupils;
    for (const [pupil, way] of [
      [inGlen, 'glen'],
      [notAtAll, 'none'],
    ] as const) {
      const browser = await school.as(pupil!.name);
      const { body } = await browser.get('/api/account');
      const told = { ...body.told, posts: way };
      expect((await browser.put('/api/account', { ...body, told })).status).toBe(200);
    }
    const post = await write();
    expect(await sent(post.id)).toMatchObject({ sent: pupils.length - 2, glen: 2 });
    expect(await mailsFor(school, inGlen!.email)).toEqual([]);
    const wordsOf = async (name: string): Promise<string[]> =>
      ((await (await school.as(name)).get('/api/words')).body as Answer<'words'>).words.map(
        (word) => word.title,
      );
    expect(await wordsOf(inGlen!.name)).toContain('To the ropes');
    expect(await wordsOf(notAtAll!.name)).not.toContain('To the ropes');
  });
  it('is written to nobody twice; to newcomers once; and to all anew where the link is replaced', async () => {
    const post = await write();
    await sent(post.id);
    const { version } = await tools.read(post.id);
    const { status } = await host.put(`/api/posts/${post.id}`, {
      words: 'Bring two.',
      linkWords: 'To the ropes',
      places: [{ ...mail(), id: post.places[0]!.id }],
      version,
    });
    expect(status).toBe(200);
    await tools.reach(post.id, tools.settled);
    const newcomer = school.people.find(
      (p) => p.roles.includes('student') && !pupils.some((pupil) => pupil.name === p.name),
    )!;
    const email = newcomer.accounts.find((account) => account.kind === 'school')!.email;
    const { db, announce } = school.running.glen;
    await db.transaction(async () => {
      await db.models.RollEntry.create({ class_id: tools.of('R5').id, person_id: newcomer.id });
      await announce(`class:${tools.of('R5').id}`, { thing: 'class', id: tools.of('R5').id });
    });
    await mailsCome(school, email, 1);
    expect(await mailsFor(school, pupils[0]!.email)).toHaveLength(1);
    // The roll by hand is not what the test is about.
    await db.models.RollEntry.destroy({
      where: { class_id: tools.of('R5').id, person_id: newcomer.id },
    });
    const { id: linkId } = tools.of('R5').link;
    const link = (await host.get(`/api/links/${linkId}`)).body;
    const how = { version: link.version, why: 'leaked', how: 'stop' };
    expect((await host.post(`/api/links/${linkId}/replace`, how)).status).toBe(200);
    const [anew] = await mailsCome(school, pupils[0]!.email, 2);
    expect(anew!.text).not.toContain(tools.of('R5').link.code);
  });
  it('is not sent any more where it is withdrawn before', async () => {
    await mailTrouble(school, 'busy');
    const post = await write();
    const { version } = await tools.reach(post.id, (p) => (lettersOf(p)?.waiting ?? 0) > 0);
    await host.post(`/api/posts/${post.id}/withdraw`, { version });
    await tools.reach(post.id, (p) => lettersOf(p)?.waiting === 0);
    await mailTrouble(school, 'none');
    expect(await mailsFor(school, pupils[0]!.email)).toEqual([]);
    // Put back, it is written to all of them after all.
    const withdrawn = await tools.read(post.id);
    await host.post(`/api/posts/${post.id}/restore`, { version: withdrawn.version });
    expect((await sent(post.id)).sent).toBe(pupils.length);
  });
  it('is known for as long as it stands, so that nobody gets it twice', async () => {
    const post = await write();
    await sent(post.id);
    const { db } = school.running.glen;
    await db.change("UPDATE letters SET made_at = '2020-01-01 00:00:00'");
    await new Housekeeping(school.running.glen).tidy();
    expect((await sent(post.id)).sent).toBe(pupils.length);
    const { version } = await tools.read(post.id);
    await host.post(`/api/posts/${post.id}/withdraw`, { version });
    await tools.reach(post.id, (p) => p.state === 'withdrawn' && tools.settled(p));
    await new Housekeeping(school.running.glen).tidy();
    expect(await db.rows('SELECT id FROM letters')).toEqual([]);
  });
  it('names whom it did not reach, and reach counts those whose mail was taken', async () => {
    const [lost] = pupils;
    const { db } = school.running.glen;
    await db.change("UPDATE accounts SET email = 'nobody@merrow.example' WHERE email = :email", {
      email: lost!.email,
    });
    const post = await write();
    const letters = await sent(post.id);
    expect(letters.sent).toBe(pupils.length - 1);
    expect(letters.refused).toEqual([
      { name: lost!.name, why: 'The mail service refused: 550 No such mailbox here' },
    ]);
    const reach = (await host.get(`/api/links/${tools.of('R5').link.id}/reach`))
      .body as Answer<'reach'>;
    const place = reach.places.find((one) => one.postId === post.id)!;
    expect(place).toMatchObject({ proven: true, readerCount: pupils.length - 1 });
    const { people } = (await host.get(`/api/classes/${tools.of('R5').id}/unreached`))
      .body as Answer<'unreached'>;
    expect(people.map((person) => person.name)).toEqual([lost!.name]);
  });
});

describe('where no mail service is set up', () => {
  it('mail is no place, and what is pasted by hand is a letter for one’s own mail program', async () => {
    school.running.glen.mail = null;
    const refused = await tools.send('R5', { places: [mail()] });
    expect(refused.status).toBe(422);
    expect(refused.body.errors[0]).toMatchObject({ path: 'places.0.kind' });
    const post = await write({}, { kind: 'by-hand', name: 'Mail' });
    const { deliveries } = await tools.reach(post.id, (p) => p.deliveries[0]?.state === 'todo');
    const { placementId } = deliveries[0]!;
    const { eml } = (await host.get(`/api/placements/${placementId}/letter`))
      .body as Answer<'placementLetter'>;
    const letter = await simpleParser(eml);
    expect(letter.subject).toBe('To the ropes');
    expect(letter.from!.text).toBe('"Ottoline Marsh" <o.marsh@merrow.example>');
    const bcc = letter.bcc as { value: { address?: string }[] };
    expect(bcc.value.map((one) => one.address).sort()).toEqual(pupils.map((p) => p.email).sort());
    const pupil = await school.as(pupils[0]!.name);
    expect((await pupil.get(`/api/placements/${placementId}/letter`)).status).toBe(403);
  });
  it('a guest’s way in is a letter that the host sends', async () => {
    school.running.glen.mail = null;
    const { link } = school.classes.get('HE')!;
    const email = 'rasmus.vane@home.example';
    const made = await host.post(`/api/links/${link.id}/guest-address`, { email, by: 'file' });
    const { eml } = made.body as Answer<'guestAddress'>;
    const letter = await simpleParser(eml!);
    expect(letter.text).toMatch(/\/guest\/\S+/);
    expect(letter.to).toMatchObject({ text: expect.stringContaining(email) as string });
    await until(
      () => school.running.glen.db.rows('SELECT id FROM letters'),
      (rows) => rows.length === 0,
    );
  });
});
