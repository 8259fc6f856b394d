import { XMLParser, XMLValidator } from 'fast-xml-parser';
import ical, { type VEvent } from 'node-ical';
import { describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { withPosts } from './postTools.js';

// What is posted in a class period as an Atom feed, and when its calendar reminds.

const t = withPosts();

const make = async (classId?: number): Promise<Answer<'feeds'>> =>
  (await t.host.post('/api/feeds', classId === undefined ? {} : { classId })).body;
const newsAddress = async (letters: string): Promise<string> => {
  const { id } = t.of(letters);
  const { classes } = await make(id);
  return classes.find((one) => one.classId === id)!.newsAddress!;
};

interface Entry {
  id: string;
  title: unknown;
  updated: string;
  published: string;
  link: { href: string }[];
  author: { name: string }[];
  content: { type: string; '#text': string };
}
interface Atom {
  feed: {
    xmlns: string;
    id: string;
    title: unknown;
    updated: string;
    author: { name: string }[];
    link: { rel: string; href: string }[];
    entry?: Entry[];
  };
}
const reader = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '',
  parseTagValue: false,
  isArray: (name) => ['entry', 'link', 'author'].includes(name),
});
const read = (text: string): Atom => {
  expect(XMLValidator.validate(text)).toBe(true);
  return reader.parse(text) as Atom;
};
const nobody = () => t.school.as(null);
const path = (address: string): string => new URL(address).pathname;
const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/;

describe('what is posted, as a feed', () => {
  it('has what RFC 4287 §4.1 asks of each feed and entry', async () => {
    const post = await t.post('N1', { words: 'Bring <dividers> & "pins".', linkWords: 'Our door' });
    await t.reach(post.id, (p) => p.state === 'out' && t.settled(p));
    const address = await newsAddress('N1');
    const { headers, text } = await (await nobody()).get(path(address)).then((answer) => ({
      headers: answer.headers as Record<string, string>,
      text: answer.text || String(answer.body),
    }));
    expect(headers['content-type']).toMatch(/^application\/atom\+xml/);
    const { feed } = read(text);
    expect(feed.xmlns).toBe('http://www.w3.org/2005/Atom');
    expect(feed.id).toMatch(/^http/);
    expect(feed.title).toBe('Coastal Navigation, period 1, Merrow Sound School of Seamanship');
    expect(feed.updated).toMatch(INSTANT);
    expect(feed.link.find((one) => one.rel === 'self')!.href).toBe(address);
    const entries = feed.entry!;
    for (const entry of entries) {
      expect(entry.id).toMatch(/^http/);
      expect(entry.updated).toMatch(INSTANT);
      expect(entry.title).toBeTruthy();
      expect(entry.author[0]!.name).not.toBe('');
    }
    expect(new Set(entries.map((entry) => entry.id)).size).toBe(entries.length);
    expect(entries[0]!.link[0]!.href).toBe(`${t.school.url}/door/${t.of('N1').link.code}`);
    expect(entries[0]!.content.type).toBe('html');
    expect(JSON.stringify(entries[0])).toContain('Bring &lt;dividers&gt;');
  });
  it('tells nothing of what is for some of them alone, nor of drafts and what was taken down', async () => {
    const narrow = await t.post('R5', {
      words: 'For the port watch',
      places: [t.stream('R5', { readers: 'audience', linkId: await portLink() })],
    });
    await t.reach(narrow.id, (p) => p.state === 'out' && t.settled(p));
    await t.post('R5', { words: 'Not yet said', timing: 'draft' });
    const gone = await t.post('R5', { words: 'Soon taken back' });
    const { version } = await t.reach(gone.id, (p) => p.state === 'out' && t.settled(p));
    await t.host.post(`/api/posts/${gone.id}/withdraw`, { version });
    await t.reach(gone.id, (p) => p.state === 'withdrawn' && t.settled(p));
    const text = await (await nobody()).get(path(await newsAddress('R5'))).then(bodyOf);
    for (const words of ['port watch', 'Not yet said', 'Soon taken back'])
      expect(text).not.toContain(words);
  });
  it('is read by its address alone, and not at all once that is replaced or switched off', async () => {
    const first = await newsAddress('W2');
    expect((await (await nobody()).get(path(first))).status).toBe(200);
    const second = await newsAddress('W2');
    expect((await (await nobody()).get(path(first))).status).toBe(404);
    await t.host.post('/api/feeds/off', { classId: t.of('W2').id });
    expect((await (await nobody()).get(path(second))).status).toBe(404);
    const own = (await make()).own.address!;
    const token = own.split('/').at(-1)!.replace('.ics', '.atom');
    expect((await (await nobody()).get(`/api/news/${token}`)).status).toBe(404);
  });
});

const bodyOf = (answer: { text?: string; body?: unknown }): string =>
  answer.text || String(answer.body);

async function portLink(): Promise<number> {
  const { links } = (await t.host.get(`/api/classes/${t.of('R5').id}/links`))
    .body as Answer<'classLinks'>;
  return links.find((link) => link.label === 'Port watch')!.id;
}

describe('a calendar that is subscribed to', () => {
  const alarms = async (address: string): Promise<string[]> => {
    const text = await (await nobody()).get(path(address)).then(bodyOf);
    const events = Object.values(ical.sync.parseICS(text)).filter(
      (c): c is VEvent => c?.type === 'VEVENT',
    );
    expect(events.length).toBeGreaterThan(0);
    return [...new Set(text.match(/TRIGGER:.*/g) ?? [])].map((line) => line.trim());
  };
  it('reminds as long before as one chose, or not at all', async () => {
    const { own } = await make();
    expect(await alarms(own.address!)).toEqual(['TRIGGER:-PT10M']);
    // An alarm an hour before 16:00 rings at 15:00 (common practice, no source).
    const { body } = await t.host.post('/api/feeds/alarm', { minutes: 60 });
    expect((body as Answer<'feeds'>).own.alarmMinutes).toBe(60);
    expect(await alarms(own.address!)).toEqual(['TRIGGER:-PT60M']);
    // A new address reminds as the old one did.
    const again = await make();
    expect(again.own.alarmMinutes).toBe(60);
    await t.host.post('/api/feeds/alarm', { minutes: null });
    expect(await alarms(again.own.address!)).toEqual([]);
  });
  it('is somebody’s own, or of a class period that they host', async () => {
    const visitor = await t.school.as('Signe Aalto');
    const asked = await visitor.post('/api/feeds/alarm', { classId: t.of('N1').id, minutes: 5 });
    expect(asked.status).toBe(403);
    expect((await visitor.post('/api/feeds/alarm', { minutes: 5 })).status).toBe(404);
    expect((await t.host.post('/api/feeds/alarm', { minutes: -5 })).status).toBe(422);
  });
});
