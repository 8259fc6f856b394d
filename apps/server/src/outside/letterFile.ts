import { createTransport } from 'nodemailer';
import type { Mailbox } from './mail.js';

/** A letter that people send themselves, with a mail program of theirs. */
interface LetterToSend {
  from: Mailbox | null;
  to: Mailbox[];
  /** Those who are not to see one another. */
  unseen: Mailbox[];
  subject: string;
  text: string;
  html: string;
}

/** A letter as a file that mail programs open (RFC 5322, `.eml`). Nothing is sent by it. */
export async function letterFile({ from, unseen, ...letter }: LetterToSend): Promise<string> {
  const transport = createTransport(
    { streamTransport: true, buffer: true, newline: 'windows' },
    { disableFileAccess: true, disableUrlAccess: true },
  );
  // Whoever it is for is known by its Bcc line alone, and whoever sends it is to see that.
  const made = await transport.sendMail({ ...letter, bcc: unseen, ...(from ? { from } : {}) });
  return (made.message as Buffer).toString('utf8');
}
