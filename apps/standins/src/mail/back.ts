import { createTransport, type SendMailOptions } from 'nodemailer';
import { simpleParser } from 'mailparser';
import type { KeptMail, Mailboxes } from './store.js';

/** The mail service of a domain whose mail is not kept here. */
export interface Elsewhere {
  domain: string;
  host: string;
  port: number;
}

const domainOf = (address: string): string => address.slice(address.lastIndexOf('@') + 1);

/** Sends on what is for the other domain; anything else comes to a mailbox here. */
export class WayBack {
  constructor(
    private readonly boxes: Mailboxes,
    private readonly elsewhere: Elsewhere,
  ) {}

  /** `from` is empty for reports, so that none is ever reported of (RFC 5321 §4.5.5). */
  private async send(from: string, to: string, mail: SendMailOptions): Promise<void> {
    const envelope = { from, to };
    if (domainOf(to) === this.elsewhere.domain) {
      const { host, port } = this.elsewhere;
      await createTransport({ host, port }).sendMail({ ...mail, envelope });
      return;
    }
    const made = await createTransport({ streamTransport: true, buffer: true }).sendMail({
      ...mail,
      envelope,
    });
    const source = String(made.message);
    await this.boxes.keep({ box: to.toLowerCase(), subject: String(mail.subject), source });
  }

  /** Reports to whoever sent a letter what has become of it (RFC 3464). */
  async report(sender: string, recipient: string, action: 'failed' | 'delayed'): Promise<void> {
    const status = action === 'failed' ? '5.1.1' : '4.4.1';
    const fields = [
      'Reporting-MTA: dns; mail.standin.example',
      '',
      `Final-Recipient: rfc822; ${recipient}`,
      `Action: ${action}`,
      `Status: ${status}`,
      `Diagnostic-Code: smtp; ${action === 'failed' ? '550 5.1.1 This mailbox was given up' : '451 4.4.1 Nobody answers there yet'}`,
      '',
    ];
    const head = [
      `From: Mail service <mailer-daemon@standin.example>`,
      `To: ${sender}`,
      'Subject: What has become of your letter',
      'Auto-Submitted: auto-replied',
      'MIME-Version: 1.0',
      'Content-Type: multipart/report; report-type=delivery-status; boundary="=report="',
      '',
      '--=report=',
      'Content-Type: text/plain; charset=us-ascii',
      '',
      `Your letter to ${recipient} is ${action}.`,
      '',
      '--=report=',
      'Content-Type: message/delivery-status',
      '',
      ...fields,
      '--=report=--',
      '',
    ];
    await this.send('', sender, {
      raw: head.join('\r\n'),
      subject: 'What has become of your letter',
    });
  }

  /** Answers an invitation as a calendar does (RFC 5546 §3.2.3); whether the letter holds one. */
  async answer(letter: KeptMail, partstat: 'ACCEPTED' | 'DECLINED'): Promise<boolean> {
    const request = await invitationIn(letter.source);
    if (!request) return false;
    const { organizer, attendee, lines } = request;
    const ics = [
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      'PRODID:-//The stand-in//A calendar//EN',
      'METHOD:REPLY',
      'BEGIN:VEVENT',
      ...lines,
      `DTSTAMP:${new Date().toISOString().replace(/[-:]|\.\d+/g, '')}`,
      `ATTENDEE;PARTSTAT=${partstat}:mailto:${attendee}`,
      'END:VEVENT',
      'END:VCALENDAR',
      '',
    ].join('\r\n');
    await this.send(letter.box, organizer, {
      from: letter.box,
      to: organizer,
      subject: `${partstat === 'ACCEPTED' ? 'Yes' : 'No'}: ${letter.subject}`,
      text: 'An answer by a calendar.',
      alternatives: [{ contentType: 'text/calendar; charset=utf-8; method=REPLY', content: ics }],
    });
    return true;
  }
}

interface Request {
  organizer: string;
  attendee: string;
  /** Those that an answer repeats. */
  lines: string[];
}

/** The invitation in a letter, as far as an answer needs it. */
export async function invitationIn(source: string): Promise<Request | null> {
  const { attachments } = await simpleParser(source);
  const part = attachments.find(({ contentType }) => contentType === 'text/calendar');
  const ics = part?.content.toString('utf8').replace(/\r\n[ \t]/g, '') ?? '';
  if (!/^METHOD:REQUEST\r?$/m.test(ics)) return null;
  const value = (name: string): string =>
    new RegExp(`^${name}[^\\r\\n]*?:mailto:(.+?)\\r?$`, 'm').exec(ics)?.[1] ?? '';
  const line = (name: string): string =>
    new RegExp(`^${name}.*?$`, 'm').exec(ics)?.[0].trim() ?? '';
  return {
    organizer: value('ORGANIZER'),
    attendee: value('ATTENDEE'),
    lines: ['UID', 'SEQUENCE', 'ORGANIZER'].map(line),
  };
}
