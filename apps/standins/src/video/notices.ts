import { createHmac, randomUUID } from 'node:crypto';
import type { Rooms } from './store.js';

const RETRY_MS = 500;

/** A notice as it is sent: counted, so that of two of one second the later is known. */
const numbered = ({ id, body }: { id: number; body: string }): string =>
  JSON.stringify({ ...(JSON.parse(body) as object), nth: id });

/** Tells Glen of arrivals and leavings, signed, in order, again and again until it has heard. */
export class Notices {
  private busy = false;
  private timer: NodeJS.Timeout | undefined;
  private stopped = false;

  constructor(
    private readonly rooms: Rooms,
    private readonly target: string,
    private readonly secret: string,
  ) {}

  start(): void {
    void this.drain();
  }

  stop(): void {
    this.stopped = true;
    clearTimeout(this.timer);
  }

  async tell(event: {
    room: string;
    type: 'arrived' | 'left' | 'ended' | 'recorded' | 'chat';
    visitor?: string;
    recording?: string;
    minutes?: number;
  }): Promise<void> {
    await this.rooms.addNotice({
      id: randomUUID(),
      ...event,
      at: `${new Date().toISOString().slice(0, 19)}Z`,
    });
    void this.drain();
  }

  /** Says something to Glen, signed; nothing where it does not answer. */
  private async say(target: string, body: string): Promise<Response | null> {
    const time = String(Math.floor(Date.now() / 1000));
    const signature = createHmac('sha256', this.secret).update(`${time}.${body}`).digest('hex');
    try {
      return await fetch(target, {
        method: 'POST',
        body,
        headers: {
          'Content-Type': 'application/json',
          'X-Room-Time': time,
          'X-Room-Signature': signature,
        },
        signal: AbortSignal.timeout(5000),
      });
    } catch {
      return null;
    }
  }

  private async send(body: string): Promise<boolean> {
    const response = await this.say(this.target, body);
    // A refusal will not become a yes; trouble on the other side may.
    return response !== null && response.status < 500;
  }

  /** Asks Glen something, signed as notices are; nothing where it does not answer. */
  ask(what: 'ticket' | 'call', body: object): Promise<Response | null> {
    return this.say(`${this.target}/${what}`, JSON.stringify(body));
  }

  /** Whether a ticket that somebody brings is still good; nothing where Glen does not answer. */
  readonly askTicket = async (ticket: object): Promise<boolean | null> => {
    const response = await this.ask('ticket', ticket);
    if (!response?.ok) return null;
    return ((await response.json()) as { isGood: boolean }).isGood;
  };

  /** Asked anew each time: stopping may come while something is being sent. */
  private isStopped(): boolean {
    return this.stopped;
  }

  private async drain(): Promise<void> {
    if (this.busy || this.isStopped()) return;
    this.busy = true;
    let waiting = false;
    try {
      for (
        let notice = await this.rooms.nextNotice();
        notice && !this.isStopped();
        notice = await this.rooms.nextNotice()
      ) {
        if (!(await this.send(numbered(notice)))) {
          waiting = true;
          break;
        }
        await this.rooms.noteSent(notice.id);
      }
    } catch {
      waiting = true;
    } finally {
      this.busy = false;
    }
    clearTimeout(this.timer);
    if (!this.isStopped())
      this.timer = setTimeout(() => void this.drain(), waiting ? RETRY_MS : RETRY_MS * 4);
  }
}
