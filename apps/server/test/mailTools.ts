import { simpleParser, type ParsedMail } from 'mailparser';
import { until, type School } from './support.js';

export interface Came extends ParsedMail {
  source: string;
}

/** What has come for somebody, the newest first. */
export async function mailsFor(school: School, address: string): Promise<Came[]> {
  const answer = await fetch(`${school.mail}/boxes/${encodeURIComponent(address)}/sources`);
  const sources = (await answer.json()) as string[];
  return Promise.all(sources.map(async (source) => ({ ...(await simpleParser(source)), source })));
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
