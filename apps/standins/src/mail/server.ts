import { simpleParser } from 'mailparser';
import { SMTPServer, type SMTPServerDataStream } from 'smtp-server';
import type { Mailboxes, MailTrouble } from './store.js';

/** What is answered where the service is told to make trouble (RFC 5321 §4.2.3). */
const ANSWERS: Partial<Record<MailTrouble, { code: number; words: string }>> = {
  refuse: { code: 550, words: 'No such mailbox here' },
  busy: { code: 451, words: 'Try again later' },
};

/** Undelivered whatever the trouble: `nobody@…` is the address of nobody. */
const isNobody = (address: string): boolean => address.startsWith('nobody@');

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

/** Takes letters for anybody and keeps them: a mail service with no way out. */
export function mailServer(boxes: Mailboxes): SMTPServer {
  const refusalFor = async (address: string): Promise<Refusal | null> => {
    const trouble = isNobody(address) ? 'refuse' : await boxes.trouble();
    const answer = ANSWERS[trouble];
    return answer ? new Refusal(answer.code, answer.words) : null;
  };
  return new SMTPServer({
    authOptional: true,
    disabledCommands: ['AUTH', 'STARTTLS'],
    logger: false,
    onConnect: (_session, next) => {
      void boxes.trouble().then((kind) => {
        next(kind === 'close' ? new Refusal(421, 'Closing') : null);
      }, next);
    },
    onRcptTo: ({ address }, _session, next) => {
      void refusalFor(address).then(next, next);
    },
    onData: (stream, { envelope }, next) => {
      const keep = async (): Promise<void> => {
        const source = await sourceOf(stream);
        const { subject = '' } = await simpleParser(source);
        for (const { address } of envelope.rcptTo)
          await boxes.keep({ box: address.toLowerCase(), subject, source });
      };
      void keep().then(() => next(), next);
    },
  });
}
