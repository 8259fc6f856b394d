import { simpleParser, type ParsedMail } from 'mailparser';
import { SMTPServer, type SMTPServerDataStream } from 'smtp-server';
import type { Logger } from 'pino';
import type { Returned, ReturnAddresses, ReturnKind } from './returnAddresses.js';

/** Reports and answers are short; what is longer is neither. */
const MOST_BYTES = 1_000_000;
const MOST_CLIENTS = 50;
const IDLE_MS = 30_000;

/** Takes the part of a message that it is for, or nothing where there is none. */
type Take = (id: number, part: string | null) => Promise<void>;

/** Which part of a message matters to whom. */
const PARTS: Record<ReturnKind, string> = {
  report: 'message/delivery-status',
  answer: 'text/calendar',
};

class Refusal extends Error {
  constructor(
    readonly responseCode: number,
    words: string,
  ) {
    super(words);
  }
}

async function readAll(stream: SMTPServerDataStream): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const part of stream) if (!stream.sizeExceeded) parts.push(part as Buffer);
  if (stream.sizeExceeded) throw new Refusal(552, 'Too long');
  return Buffer.concat(parts);
}

const partOf = ({ attachments }: ParsedMail, kind: ReturnKind): string | null =>
  attachments.find(({ contentType }) => contentType === PARTS[kind])?.content.toString('utf8') ??
  null;

interface Options {
  at: { host: string; port: number };
  returns: ReturnAddresses;
  take: Record<ReturnKind, Take>;
  log: Logger;
}

/** Between two tries to listen where another process does. */
const AGAIN_MS = 10_000;

const isTaken = (error: unknown): boolean => (error as NodeJS.ErrnoException).code === 'EADDRINUSE';

/**
 * Takes mail that comes back (RFC 5321), for addresses that Glen made and for nobody else: it keeps no mailboxes, passes
 * nothing on, and answers nothing. It stands behind the mail service of its domain. Of several processes on one machine one
 * listens; another takes over once that has gone.
 */
export class MailIn {
  private server: SMTPServer | undefined;
  private again: NodeJS.Timeout | undefined;

  constructor(private readonly options: Options) {}

  /** Listens, or waits until it can; throws where it never could. */
  async start(): Promise<void> {
    const server = this.made();
    try {
      await this.listen(server);
      this.server = server;
    } catch (error) {
      if (!isTaken(error)) throw error;
      this.again = setTimeout(() => void this.start().catch(this.tell), AGAIN_MS);
      this.again.unref();
    }
  }

  async stop(): Promise<void> {
    clearTimeout(this.again);
    const { server } = this;
    if (server) await new Promise<void>((resolve) => server.close(resolve));
  }

  private readonly tell = (error: Error): void => {
    this.options.log.info({ err: error }, 'mail that came in broke off');
  };

  private listen(server: SMTPServer): Promise<void> {
    const { host, port } = this.options.at;
    return new Promise((resolve, reject) => {
      server.once('error', reject);
      server.listen(port, host, () => {
        server.removeListener('error', reject);
        server.on('error', this.tell);
        resolve();
      });
    });
  }

  private made(): SMTPServer {
    const { returns } = this.options;
    return new SMTPServer({
      authOptional: true,
      disabledCommands: ['AUTH', 'STARTTLS'],
      disableReverseLookup: true,
      size: MOST_BYTES,
      maxClients: MOST_CLIENTS,
      socketTimeout: IDLE_MS,
      logger: false,
      onRcptTo: ({ address }, _session, next) =>
        next(returns.read(address) ? null : new Refusal(550, 'No such mailbox here')),
      onData: (stream, { envelope }, next) => {
        const to = envelope.rcptTo.map(({ address }) => returns.read(address)!);
        this.takeMessage(stream, to).then(() => next(), this.refusing(next));
      },
    });
  }

  private async takeMessage(stream: SMTPServerDataStream, to: Returned[]): Promise<void> {
    const parsed = await simpleParser(await readAll(stream), {
      keepDeliveryStatus: true,
    });
    for (const { kind, id } of to) await this.options.take[kind](id, partOf(parsed, kind));
  }

  /** What could not be taken is to come again, but for what is too long. */
  private readonly refusing =
    (next: (error: Error) => void) =>
    (error: Error): void => {
      if (error instanceof Refusal) return next(error);
      this.options.log.warn({ err: error }, 'a message that came in could not be taken');
      next(new Refusal(451, 'Try again later'));
    };
}
