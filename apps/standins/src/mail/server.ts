import { simpleParser } from 'mailparser';
import { SMTPServer, type SMTPServerDataStream } from 'smtp-server';
import type { WayBack } from './back.js';
import type { Mailboxes, MailTrouble } from './store.js';

/** What is answered where the service is told to make trouble (RFC 5321 §4.2.3). */
const ANSWERS: Partial<Record<MailTrouble, { code: number; words: string }>> = {
  refuse: { code: 550, words: 'No such mailbox here' },
  busy: { code: 451, words: 'Try again later' },
};

/** Undelivered whatever the trouble: `nobody@…` is the address of nobody. */
const isNobody = (address: string): boolean => address.startsWith('nobody@');

/** The service's mood when it is asked so often. */
const moodOf = (asked: number): MailTrouble => (asked % 5 === 0 ? 'busy' : 'none');

class Refusal extends Error {
  constructor(
    readonly responseCode: number,
    words: string,
  ) {
    super(words);
  }
}

async function sourceOf(stream: SMTPServerDataStream): Promise<string> {
  const parts: Buffer[] = [];
  for await (const part of stream) parts.push(part as Buffer);
  return Buffer.concat(parts).toString('utf8');
}

/** What comes of a letter that was taken: kept, or reported. */
interface Taken {
  from: string;
  to: string;
  subject: string;
  source: string;
}

/** Undelivered after all, whatever the trouble: `gone@…` was the address of somebody. */
const isGone = (address: string): boolean => address.startsWith('gone@');

const SLOW_MS = 1500;

/** Takes letters for anybody and keeps them: a mail service whose only way out is back to whoever wrote. */
export function mailServer(boxes: Mailboxes, back: WayBack): SMTPServer {
  let asked = 0;
  let connected = 0;
  const refusalFor = async (address: string): Promise<Refusal | null> => {
    const trouble = isNobody(address) ? 'refuse' : await boxes.trouble();
    const answer = ANSWERS[trouble === 'moody' ? moodOf(++asked) : trouble];
    return answer ? new Refusal(answer.code, answer.words) : null;
  };
  const deliver = async ({ from, to, subject, source }: Taken): Promise<void> => {
    const trouble = isGone(to) ? 'bounce' : await boxes.trouble();
    if (trouble === 'bounce') return back.report(from, to, 'failed');
    if (trouble === 'slow') {
      await back.report(from, to, 'delayed');
      await new Promise((resolve) => setTimeout(resolve, SLOW_MS));
    }
    await boxes.keep({ box: to.toLowerCase(), subject, source });
  };
  return new SMTPServer({
    authOptional: true,
    disabledCommands: ['AUTH', 'STARTTLS'],
    logger: false,
    onConnect: (_session, next) => {
      void boxes.trouble().then((kind) => {
        const isClosing = kind === 'close' || (kind === 'moody' && ++connected % 3 === 0);
        next(isClosing ? new Refusal(421, 'Closing') : null);
      }, next);
    },
    onRcptTo: ({ address }, _session, next) => {
      void refusalFor(address).then(next, next);
    },
    onData: (stream, { envelope }, next) => {
      const keep = async (): Promise<void> => {
        const source = await sourceOf(stream);
        const { subject = '' } = await simpleParser(source);
        const from = envelope.mailFrom ? envelope.mailFrom.address : '';
        for (const { address: to } of envelope.rcptTo) await deliver({ from, to, subject, source });
      };
      void keep().then(() => next(), next);
    },
  });
}
