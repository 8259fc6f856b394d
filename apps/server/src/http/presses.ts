import { AsyncLocalStorage } from 'node:async_hooks';
import { createHash } from 'node:crypto';
import type { Problem } from '@glen/contract';
import type { Glen } from '../glen.js';
import type { NewSession } from './browserSessions.js';
import type { KeptCookie } from './keptCookie.js';
import { HttpProblem } from './problem.js';
import { giveKeyBack, keepAnswer, noteDone, pressOf, takeKey } from './pressStore.js';

/** What came of a write: its answer, and what the browser is to keep. */
export interface Outcome {
  answer: unknown;
  /** Left out: the browser's session stays as it is. */
  session?: NewSession | null | undefined;
  /** What the browser is to be known by from now on. */
  known?: string | undefined;
  /** What it is to keep for a while, or no longer. */
  kept?: KeptCookie[] | undefined;
}

/** One press: the key that came with it, and what it asks for. */
export interface Press {
  key: string;
  /** The token of the browser's session, to whom alone the key belongs. */
  token: string | undefined;
  /** Of what was asked. */
  asked: (string | Buffer)[];
}

type Kept = { outcome: Outcome } | { problem: Problem };

/** Letters, digits and signs of ASCII, as the header's draft has it; long enough that nobody has the same by chance. */
const KEY = /^[\x21-\x7e]{16,100}$/;

const WAIT_MS = 100;
const WAIT_TIMES = 50;

const soon = (): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, WAIT_MS);
  });

/** Told to ask again in a moment: it does no harm. */
const asksAgain = (error: unknown): boolean => error instanceof HttpProblem && error.status === 503;

function problemOf({ status, title, ...more }: Problem): HttpProblem {
  return new HttpProblem(status, title, more);
}

/**
 * Has a write that is sent twice be done once (draft-ietf-httpapi-idempotency-key-header). A key is taken before anything
 * is done, and used up in the same transaction as the first thing that is, so that whoever is killed in between does nothing
 * twice. Who sends it again is told what the first was told; answers are kept sealed under the key, which is not kept.
 */
export class Presses {
  private readonly now = new AsyncLocalStorage<string>();
  /** Carrying a key along costs every promise of the process; nothing is carried while nothing is written. */
  private readonly underWay = new Set<string>();

  constructor(private readonly glen: Glen) {
    glen.db.beforeCommit(async () => {
      const keyHash = this.now.getStore();
      // What a write has set going, and goes on after it, is not part of it.
      if (keyHash !== undefined && this.underWay.has(keyHash)) await noteDone(glen.db, keyHash);
    });
  }

  async once({ key, token, asked }: Press, work: () => Promise<Outcome>): Promise<Outcome> {
    if (!KEY.test(key)) throw new HttpProblem(400, 'This key is none for a single press.');
    const { db, clock, tokens } = this.glen;
    const keyHash = tokens.hash('press', `${token ?? ''} ${key}`);
    const digest = createHash('sha256');
    for (const part of asked) digest.update(part).update('\n');
    const wanted = digest.digest('base64url');
    if (await takeKey(db, clock, { keyHash, digest: wanted }))
      return this.first(work, { key, keyHash });
    return this.again({ key, keyHash, wanted });
  }

  private async first(
    work: () => Promise<Outcome>,
    { key, keyHash }: { key: string; keyHash: string },
  ): Promise<Outcome> {
    const { db } = this.glen;
    try {
      const outcome = await this.carry(keyHash, work);
      await keepAnswer(db, keyHash, this.seal(key, { outcome }));
      return outcome;
    } catch (error) {
      // Nothing was done, or whoever asked is to ask again: then the key is theirs as before. Else what was told is told again.
      const isUndone = await giveKeyBack(db, keyHash, { anyhow: asksAgain(error) });
      if (!isUndone && error instanceof HttpProblem && error.status < 500)
        await keepAnswer(db, keyHash, this.seal(key, { problem: error.body() }));
      throw error;
    }
  }

  private async carry(keyHash: string, work: () => Promise<Outcome>): Promise<Outcome> {
    this.underWay.add(keyHash);
    try {
      return await this.now.run(keyHash, work);
    } finally {
      this.underWay.delete(keyHash);
      if (this.underWay.size === 0) this.now.disable();
    }
  }

  private async again({
    key,
    keyHash,
    wanted,
  }: {
    key: string;
    keyHash: string;
    wanted: string;
  }): Promise<Outcome> {
    for (let times = 0; times < WAIT_TIMES; times++) {
      const kept = await pressOf(this.glen.db, keyHash);
      if (kept && kept.digest !== wanted)
        throw new HttpProblem(422, 'This key belongs to another press.');
      if (kept?.answer) return this.told(key, kept.answer);
      if (!kept) break;
      await soon();
    }
    throw new HttpProblem(409, 'This was asked for a moment ago. Look whether it is done.', {
      type: 'urn:glen:asked-already',
    });
  }

  private told(key: string, sealed: string): Outcome {
    const kept = JSON.parse(this.glen.tokens.open(key, sealed)) as Kept;
    if ('problem' in kept) throw problemOf(kept.problem);
    return kept.outcome;
  }

  private seal(key: string, kept: Kept): string {
    return this.glen.tokens.seal(key, JSON.stringify(kept));
  }
}
