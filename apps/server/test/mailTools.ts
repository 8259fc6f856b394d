import { simpleParser, type ParsedMail } from 'mailparser';
import { expect } from 'vitest';
import { tellOnce } from '../src/features/school/tell.js';
import { until, type Browser, type School } from './support.js';

export interface Came extends ParsedMail {
  source: string;
}

/**
 * Whatever is sent is in a form that any program reads: lines of at most 998 signs, of ASCII alone (RFC 5322 §2.1.1, RFC 2045
 * §6.7), said to come from a machine (RFC 3834 §5), in plain text and in HTML (RFC 2046 §5.1.4), with a name of its own.
 */
function expectReadable({ source, headers, text, html }: Came): void {
  for (const line of source.split('\r\n')) {
    expect(line.length).toBeLessThanOrEqual(998);
    expect(line).toMatch(/^[\x20-\x7e\t]*$/);
  }
  expect(headers.get('auto-submitted')).toBe('auto-generated');
  expect(headers.get('message-id')).toMatch(/^<letter\.\d+\.\d+@[\w.]+>$/);
  expect(source).toContain('Content-Type: multipart/alternative;');
  expect(text).not.toBe('');
  expect(html).not.toBe(false);
}

/** What has come for somebody, the newest first, each looked at. */
export async function mailsFor(school: School, address: string): Promise<Came[]> {
  const answer = await fetch(`${school.mail}/boxes/${encodeURIComponent(address)}/sources`);
  const sources = (await answer.json()) as string[];
  const came = await Promise.all(
    sources.map(async (source) => ({ ...(await simpleParser(source)), source })),
  );
  came.forEach(expectReadable);
  return came;
}

/** The same, as soon as so many are there. */
export const mailsCome = (school: School, address: string, count: number): Promise<Came[]> =>
  until(
    () => mailsFor(school, address),
    (mails) => mails.length >= count,
  );

/** What the mail service does wrong from now on. */
export async function mailTrouble(school: School, kind: string): Promise<void> {
  await fetch(`${school.mail}/trouble`, {
    method: 'POST',
    body: new URLSearchParams({ kind }),
    redirect: 'manual',
  });
}

/** How somebody wishes to hear of some kinds of things from now on. */
export async function wish(browser: Browser, told: object): Promise<void> {
  const { body } = await browser.get('/api/account');
  const changed = { ...body, told: { ...body.told, ...told } };
  expect((await browser.put('/api/account', changed)).status).toBe(200);
}

/** Has somebody be told something, as what others change is. */
export const tell = (school: School, name: string, title: string): Promise<void> =>
  school.running.glen.db.transaction(() =>
    tellOnce(school.running.glen, school.person(name).id, { title, text: `${title}: so it is.` }),
  );

/** The two minutes in which changes are gathered are over. */
export async function gathered({ running: { glen } }: School): Promise<void> {
  await glen.db.change("UPDATE outbox SET due_at = '2020-01-01 00:00:00' WHERE kind = 'gather'");
  glen.nudge();
}

/** The same, and all of it has been done. */
export async function allGathered(school: School): Promise<void> {
  await gathered(school);
  await until(
    () =>
      school.running.glen.db.rows(
        "SELECT id FROM outbox WHERE kind = 'gather' AND state <> 'done'",
      ),
    (left) => left.length === 0,
  );
}
