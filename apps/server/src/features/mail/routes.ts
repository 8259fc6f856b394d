import express, { type Express } from 'express';
import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { HttpProblem } from '../../http/problem.js';
import { describeStop, setStop } from './stop.js';
import { wordsOf } from './store.js';
import { unreachedOf } from './unreached.js';

export const mailRoutes = (glen: Glen) =>
  ({
    words: async ({ who }) => ({ words: await wordsOf(glen.db, who.person!.id) }),
    unreached: ({ params }) => unreachedOf(glen.db, params.classId),
    letterStop: ({ params }) => describeStop(glen, params.token),
    setLetterStop: ({ params, body }) => setStop(glen, params.token, body.mails),
  }) satisfies Partial<Handlers>;

/**
 * The one press of a mail program (RFC 8058 §3.1): it posts to the address itself, from no page of ours and with no
 * cookies, so that no origin is asked for. Whoever opens the address in a browser gets the page there.
 */
export function mountOnePress(app: Express, glen: Glen): void {
  const form = express.urlencoded({ extended: false, limit: 1000 });
  app.post('/letters/stop/:token', form, async (req, res) => {
    try {
      await setStop(glen, String(req.params.token), false);
      res.type('text/plain').send('No more of these letters are sent to you.\n');
    } catch (error) {
      if (!(error instanceof HttpProblem)) throw error;
      res.status(error.status).type('text/plain').send(`${error.message}\n`);
    }
  });
}
