import { escape, page } from '../page.js';
import { TROUBLES, type Thing, type Trouble } from './store.js';

/** The frame of every page of the notice board: who reads, and what. */
export const frame = (reader: string, title: string, body: string): string =>
  page({
    title,
    style: 'board.css',
    body: `<header><a href="/">Notice board</a>${reader ? `<form method="post" action="/as"><span>Reading as <b>${escape(reader)}</b></span> <button name="email" value="">Change reader</button></form>` : ''}</header><main>${body}</main>`,
  });

export const readersPage = (people: { email: string; name: string; teaches: number }[]): string => {
  const row = (p: (typeof people)[number]): string =>
    `<li><button name="email" value="${escape(p.email)}">${escape(p.name)}</button> <small>${p.teaches ? 'teaches' : 'learns'}</small></li>`;
  return frame(
    '',
    'Notice board',
    `<h1>Who is reading?</h1><form method="post" action="/as"><ol class="people">${people.map(row).join('')}</ol></form>`,
  );
};

export const contentsPage = (
  reader: string,
  classes: { ref: string; title: string; teaches: number }[],
): string => {
  const row = (c: (typeof classes)[number]): string =>
    `<li><a href="/class/${encodeURIComponent(c.ref)}">${escape(c.title)}</a> ${c.teaches ? '<small>you teach this</small>' : ''}</li>`;
  return frame(
    reader,
    'Notice board',
    `<h1>Contents</h1>${classes.length ? `<ol class="contents">${classes.map(row).join('')}</ol>` : '<p>No class lists this reader.</p>'}<p class="foot"><a href="/trouble">How this site behaves</a></p>`,
  );
};

interface ClassPage {
  ref: string;
  title: string;
  teaches: boolean;
  posts: Thing<'post'>[];
  sections: Thing<'section'>[];
  items: Thing<'item'>[];
  events: Thing<'event'>[];
}

const link = (address: string, words: string, newTab: boolean): string =>
  `<a href="${escape(address)}"${newTab ? ' target="_blank" rel="noopener noreferrer"' : ''}>${escape(words)}</a>`;
const inOrder = (
  a: { body: { position: number }; key: string },
  b: { body: { position: number }; key: string },
): number => a.body.position - b.body.position || (a.key < b.key ? -1 : 1);
const crossed = (struck: boolean, html: string): string =>
  struck ? `<small>It is over.</small><del>${html}</del>` : html;
/** What only those who teach the class see beside a thing: who reads it, and the button that takes it off. */
const teachers = (
  { ref, teaches }: ClassPage,
  kind: string,
  key: string,
  readers: string[] | null,
): string =>
  teaches
    ? `<form class="off" method="post" action="/class/${encodeURIComponent(ref)}/take-off"><input type="hidden" name="kind" value="${kind}"><input type="hidden" name="key" value="${escape(key)}">${readers ? `<small>${readers.length} of the class see this</small> ` : ''}<button>Take off the board</button></form>`
    : '';

const post = (
  page: ClassPage,
  { key, body: { html, pinned, struck, readers } }: Thing<'post'>,
): string =>
  `<article${pinned ? ' class="pinned"' : ''}>${pinned ? '<small>Pinned on top</small>' : ''}${crossed(struck, html)}${teachers(page, 'post', key, readers)}</article>`;
const item = (
  page: ClassPage,
  { key, body: { title, html, address, newTab, struck, readers } }: Thing<'item'>,
): string =>
  `<li>${crossed(struck, (address ? link(address, title, newTab) : `<b>${escape(title)}</b>`) + html)}${teachers(page, 'item', key, readers)}</li>`;

function section(page: ClassPage, { key, body: { title } }: Thing<'section'>): string {
  const own = page.items.filter((i) => i.body.section === key).sort(inOrder);
  return `<section><h3>${escape(title)}</h3>${own.length ? `<ul class="items">${own.map((i) => item(page, i)).join('')}</ul>` : '<p>Nothing here yet.</p>'}</section>`;
}

/** Times of the calendar, as the school's clock shows them. */
function event(
  page: ClassPage,
  { key, body: { title, start, end, html, address, struck, readers } }: Thing<'event'>,
  zone: string,
): string {
  const day = new Intl.DateTimeFormat('en-CA', {
    timeZone: zone,
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  }).format(new Date(start));
  const time = (at: string): string =>
    new Intl.DateTimeFormat('en-CA', {
      timeZone: zone,
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
    }).format(new Date(at));
  return `<tr><td>${escape(day)}</td><td>${time(start)}–${time(end)}</td><td>${crossed(struck, (address ? link(address, title, true) : escape(title)) + html)}${teachers(page, 'event', key, readers)}</td></tr>`;
}

const noticesPart = (page: ClassPage): string => {
  const notices = [
    ...page.posts.filter((p) => p.body.pinned),
    ...page.posts.filter((p) => !p.body.pinned),
  ];
  const none = '<p>Nothing has been pinned up yet.</p>';
  return `<h2 id="stream">Notices</h2>${notices.map((p) => post(page, p)).join('') || none}`;
};

const pagePart = (page: ClassPage): string => {
  const sections = [...page.sections].sort(inOrder).map((s) => section(page, s));
  return `<h2 id="page">The page</h2>${sections.join('') || '<p>This page has no sections yet.</p>'}`;
};

function datesPart(page: ClassPage, zone: string): string {
  const dates = [...page.events].sort((a, b) => (a.body.start < b.body.start ? -1 : 1));
  const head =
    '<tr><th scope="col">Day</th><th scope="col">Time</th><th scope="col">What</th></tr>';
  const rows = dates.map((e) => event(page, e, zone)).join('');
  const table = `<table><thead>${head}</thead><tbody>${rows}</tbody></table>`;
  return `<h2 id="calendar">Dates</h2>${rows ? table : '<p>No dates yet.</p>'}`;
}

/** One class: its page, its dates, and its notices with what is pinned first; a table of contents before them. */
export const classPage = (reader: string, page: ClassPage, zone: string): string =>
  frame(
    reader,
    page.title,
    `<h1>${escape(page.title)}</h1>
    <nav aria-label="In this class"><ol class="contents"><li><a href="#page">The page</a></li><li><a href="#calendar">Dates</a></li><li><a href="#stream">Notices</a></li></ol></nav>
    ${pagePart(page)}${datesPart(page, zone)}${noticesPart(page)}`,
  );

const TROUBLE_WORDS: Record<Trouble, string> = {
  none: 'working',
  slow: 'slow: answers after three seconds',
  down: 'down: answers nothing useful',
  refusing: 'refusing: says that this class takes no posts',
  twice: 'forgetful: does it, then says it failed, once',
  moody: 'moody: fails one call in five, sometimes after doing it',
};

export const troublePage = (reader: string, now: Trouble): string => {
  const row = (kind: Trouble): string =>
    `<li><button name="kind" value="${kind}"${kind === now ? ' aria-pressed="true"' : ''}>${escape(TROUBLE_WORDS[kind])}</button></li>`;
  return frame(
    reader,
    'How this site behaves',
    `<h1>How this site behaves</h1><p>For trying out what happens when a course site has trouble.</p><form method="post" action="/trouble"><ul class="people">${TROUBLES.map(row).join('')}</ul></form>`,
  );
};
