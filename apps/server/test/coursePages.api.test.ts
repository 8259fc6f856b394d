import { describe, expect, it } from 'vitest';
import type { Answer, LinkDetail, Post } from '@glen/contract';
import { withPosts } from './postTools.js';

const a = withPosts();

describe('course pages', () => {
  it('list their sections; an item stands in one of them, in its order', async () => {
    const { sections } = (await a.host.get(`/api/classes/${a.of('N3').id}/course-page`)).body;
    expect(sections.map((s: { title: string }) => s.title)).toEqual([
      'Where we meet',
      'Week 6: tidal streams',
    ]);
    await a.post('N3', {
      words: '',
      linkWords: 'Tidal door',
      places: [
        { classId: a.of('N3').id, kind: 'item', section: { key: sections[1].key }, position: 1 },
      ],
    });
    const text = await a.pageShows('nav-3', (t) => t.includes('Tidal door'));
    expect(text.indexOf('Tidal diamonds')).toBeLessThan(text.indexOf('Tidal door'));
  });
  it('a section of its own bears the date of the next session, and is renamed by itself', async () => {
    await a.post('N6', {
      words: '',
      linkWords: 'Join',
      places: [
        {
          classId: a.of('N6').id,
          kind: 'item',
          section: { title: 'Next lesson: {date}' },
          position: 0,
        },
      ],
    });
    await a.pageShows('nav-6', (t) => t.includes('<h3>Next lesson: Wed 14 Oct</h3>'));
    await a.school.setTime('15:30');
    const text = await a.pageShows('nav-6', (t) => t.includes('<h3>Next lesson: Thu 15 Oct</h3>'));
    expect(text).not.toContain('Next lesson: Wed 14 Oct');
    await a.school.setTime('10:31');
  });
  it('several items stand under one heading, in the order they are put in, for as long as one of them stands', async () => {
    const { id: classId } = a.of('N1');
    const under = (linkWords: string): Promise<Post> =>
      a.post('N1', {
        words: '',
        linkWords,
        places: [{ classId, kind: 'item', section: { title: 'Doors of {class}' } }],
      });
    const [one, two] = [await under('First door'), await under('Second door')];
    const inTurn =
      (...words: string[]) =>
      (text: string): boolean =>
        a.times(text, '<h3>Doors of Coastal Navigation</h3>') === 1 &&
        words.every(
          (w, i) => text.includes(w) && (i === 0 || text.indexOf(words[i - 1]!) < text.indexOf(w)),
        );
    await a.pageShows('nav-1', inTurn('<h3>Doors of', 'First door', 'Second door'));
    const told = (await a.host.get(`/api/classes/${classId}/headings`)).body as Answer<'headings'>;
    const heading = told.headings.find((h) => h.written === 'Doors of {class}')!;
    expect(heading).toMatchObject({
      title: 'Doors of Coastal Navigation',
      items: [{ title: 'First door' }, { title: 'Second door' }],
    });
    const order = heading.items.map((item) => item.placeId).reverse();
    const put = (body: object) => a.host.put(`/api/classes/${classId}/headings/order`, body);
    expect((await put({ order })).body.headings[0].items[0].title).toBe('Second door');
    await a.pageShows('nav-1', inTurn('<h3>Doors of', 'Second door', 'First door'));
    // Who changes a post that was read before loses nothing of the order.
    const { id, version, places } = two;
    const edit = { version, words: '', linkWords: 'Second door', places };
    expect((await a.host.put(`/api/posts/${id}`, edit)).status).toBe(200);
    await a.reach(id, a.settled);
    expect(await a.page('nav-1')).toSatisfy(inTurn('<h3>Doors of', 'Second door', 'First door'));
    expect((await put({ order: [order[0], order[0]] })).status).toBe(422);
    expect((await put({ order: [...order, 999999] })).body.errors[0].path).toBe('order');
    // The heading was the first post's; it stays for the second.
    await a.host.post(`/api/posts/${one.id}/withdraw`, { version: one.version });
    await a.pageShows('nav-1', (text) => !text.includes('First door'));
    expect(await a.page('nav-1')).toSatisfy(inTurn('<h3>Doors of', 'Second door'));
    await a.host.post(`/api/posts/${id}/withdraw`, { version: version + 1 });
    await a.pageShows('nav-1', (text) => !text.includes('Doors of Coastal'));
  });
  it('of a draft’s item only hosts are told', async () => {
    const { id: classId } = a.of('N3');
    await a.post('N3', {
      words: '',
      linkWords: 'Not yet told',
      timing: 'draft',
      places: [{ classId, kind: 'item', section: { title: 'To come' } }],
    });
    const headings = async (name: string): Promise<Answer<'headings'>> =>
      (await (await a.school.as(name)).get(`/api/classes/${classId}/headings`)).body;
    const isTold = ({ headings: all }: Answer<'headings'>): boolean =>
      all.some((h) => h.items.some((item) => item.title === 'Not yet told'));
    expect(isTold(await headings('Tomas Verhage'))).toBe(true);
    expect(isTold(await headings('Signe Aalto'))).toBe(false);
  });
  it('an item for a group is not shown to the others, and follows who is in it', async () => {
    const { groups } = (await a.host.get(`/api/classes/${a.of('R5').id}/groups`)).body;
    const link: LinkDetail = (
      await a.host.get(`/api/classes/${a.of('R5').id}/links`)
    ).body.links.find((l: LinkDetail) => l.label === 'Port watch');
    await a.post('R5', {
      words: '',
      linkWords: 'Port watch door',
      places: [
        {
          classId: a.of('R5').id,
          linkId: link.id,
          kind: 'item',
          readers: 'audience',
          section: { title: 'Watches' },
        },
      ],
    });
    const { roll } = (await a.host.get(`/api/classes/${a.of('R5').id}`)).body as {
      roll: { id: number; accounts: { kind: string; email: string }[] }[];
    };
    const mail = (id: number): string =>
      roll.find((p) => p.id === id)!.accounts.find((a) => a.kind === 'school')!.email;
    const [member, other] = [groups[0].members[0], groups[1].members[0]];
    await a.pageShows('ropework', (t) => t.includes('Port watch door'), mail(member));
    expect(await a.page('ropework', mail(other))).not.toContain('Port watch door');
  });
});
