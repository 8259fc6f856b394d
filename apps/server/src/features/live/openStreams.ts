import { networkOf } from '../../http/from.js';
import { HttpProblem } from '../../http/problem.js';
import type { Who } from '../../http/who.js';

/** Browsers share one stream among their tabs; some cannot. */
const MOST_OF_A_SIGNING_IN = 20;
/** An evening's guests who all sit in one hall. */
const MOST_OF_A_NETWORK = 1000;
/** Bytes that wait for a reader. A change is some fifty: whoever reads at all is far below. */
const MOST_UNREAD = 64 * 1024;

/** The streams that this process holds open, so that nobody takes all that there is room for. */
export class OpenStreams {
  private readonly counts = new Map<string, number>();

  /** Takes a place, until what is given back is called. Throws 429 where whoever asks has too many. */
  take(who: Who, address: string): () => void {
    const isSignedIn = who.person !== null;
    const key = isSignedIn ? `session:${who.sessionId}` : `network:${networkOf(address)}`;
    const count = this.counts.get(key) ?? 0;
    if (count >= (isSignedIn ? MOST_OF_A_SIGNING_IN : MOST_OF_A_NETWORK))
      throw new HttpProblem(429, 'Too many pages of Glen are open here. Close some of them.');
    this.counts.set(key, count + 1);
    return () => this.giveBack(key);
  }

  private giveBack(key: string): void {
    const left = this.counts.get(key)! - 1;
    if (left > 0) this.counts.set(key, left);
    else this.counts.delete(key);
  }
}

/** Whether somebody has stopped reading what they asked to hear. */
export const isDeaf = (stream: { writableLength: number }): boolean =>
  stream.writableLength > MOST_UNREAD;
