import { escape, page } from '../page.js';
import { TROUBLES, type EventBody, type ItemBody, type PostBody, type SectionBody, type Thing, type Trouble } from './store.js';

/** The frame of every page of the notice board: who reads, and what. */
export const frame = (reader: string, title: string, body: string): string => page({
  title, style: 'board.css',
  body: `<header><a href="/">Notice board</a>${reader ? `<form method="post" action="/as"><span>Reading as <b>${escape(reader)}</b></span> <button name="email" value="">Change reader</button></form>` : ''}</header><main>${body}</main>`,
});

export const readersPage = (people: { email: string; name: string; teaches: number }[]): string => {
  const row = (p: (typeof people)[number]): string => `<li><button name="email" value="${escape(p.email)}">${escape(p.name)}</button> <small>${p.teaches ? 'teaches' : 'learns'}</small></li>`;
  return frame('', 'Notice board', `<h1>Who is reading?</h1><form method="post" action="/as"><ol class="people">${people.map(row).join('')}</ol></form>`);
};

export const contentsPage = (reader: string, classes: { ref: string; title: string; teaches: number }[]): string => {
  const row = (c: (typeof classes)[number]): string => `<li><a href="/class/${encodeURIComponent(c.ref)}">${escape(c.title)}</a> ${c.teaches ? '<small>you teach this</small>' : ''}</li>`;
  return frame(reader, 'Notice board', `<h1>Contents</h1>${classes.length ? `<ol class="contents">${classes.map(row).join('')}</ol>` : '<p>No class lists this reader.</p>'}<p class="foot"><a href="/trouble">How this site behaves</a></p>`);
};

export interface ClassPage { title: string; posts: Thing<'post'>[]; sections: Thing<'section'>[]; items: Thing<'item'>[]; events: Thing<'event'>[] }

const link = (address: string, words: string, newTab: boolean): string => `<a href="${escape(address)}"${newTab ? ' target="_blank" rel="noopener noreferrer"' : ''}>${escape(words)}</a>`;
const inOrder = (a: { body: { position: number }; key: string }, b: { body: { position: number }; key: string }): number => a.body.position - b.body.position || (a.key < b.key ? -1 : 1);

const post = ({ html }: PostBody): string => `<article>${html}</article>`;
const item = ({ title, html, address, newTab }: ItemBody): string => `<li>${address ? link(address, title, newTab) : `<b>${escape(title)}</b>`}${html}</li>`;

function section(key: string, { title }: SectionBody, items: Thing<'item'>[]): string {
  const own = items.filter((i) => i.body.section === key).sort(inOrder);
  return `<section><h3>${escape(title)}</h3>${own.length ? `<ul class="items">${own.map((i) => item(i.body)).join('')}</ul>` : '<p>Nothing here yet.</p>'}</section>`;
}

/** Times of the calendar, as the school's clock shows them. */
function event({ title, start, end, html, address }: EventBody, zone: string): string {
  const day = new Intl.DateTimeFormat('en-CA', { timeZone: zone, weekday: 'short', day: 'numeric', month: 'short' }).format(new Date(start));
  const time = (at: string): string => new Intl.DateTimeFormat('en-CA', { timeZone: zone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(new Date(at));
  return `<tr><td>${escape(day)}</td><td>${time(start)}–${time(end)}</td><td>${address ? link(address, title, true) : escape(title)}${html}</td></tr>`;
}

/** One class: its stream, its course page, its calendar, with a table of contents before them. */
export function classPage(reader: string, { title, posts, sections, items, events }: ClassPage, zone: string): string {
  const dates = [...events].sort((a, b) => (a.body.start < b.body.start ? -1 : 1));
  return frame(reader, title, `<h1>${escape(title)}</h1>
    <nav aria-label="In this class"><ol class="contents"><li><a href="#stream">Class stream</a></li><li><a href="#page">Course page</a></li><li><a href="#calendar">Calendar</a></li></ol></nav>
    <h2 id="stream">Class stream</h2>${posts.length ? posts.map((p) => post(p.body)).join('') : '<p>Nothing has been pinned up yet.</p>'}
    <h2 id="page">Course page</h2>${sections.length ? [...sections].sort(inOrder).map((s) => section(s.key, s.body, items)).join('') : '<p>This page has no sections yet.</p>'}
    <h2 id="calendar">Calendar</h2>${dates.length ? `<table><thead><tr><th scope="col">Day</th><th scope="col">Time</th><th scope="col">What</th></tr></thead><tbody>${dates.map((e) => event(e.body, zone)).join('')}</tbody></table>` : '<p>No dates yet.</p>'}`);
}

const TROUBLE_WORDS: Record<Trouble, string> = {
  none: 'working', slow: 'slow: answers after three seconds', down: 'down: answers nothing useful', refusing: 'refusing: says that this class takes no posts', twice: 'forgetful: does it, then says it failed, once',
};

export const troublePage = (reader: string, now: Trouble): string => {
  const row = (kind: Trouble): string => `<li><button name="kind" value="${kind}"${kind === now ? ' aria-pressed="true"' : ''}>${escape(TROUBLE_WORDS[kind])}</button></li>`;
  return frame(reader, 'How this site behaves', `<h1>How this site behaves</h1><p>For trying out what happens when a course site has trouble.</p><form method="post" action="/trouble"><ul class="people">${TROUBLES.map(row).join('')}</ul></form>`);
};
