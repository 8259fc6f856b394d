import type { NextFunction, Request, Response } from 'express';
import { problem } from '../problem.js';
import type { Board } from './store.js';

const SLOW_MS = 3000;

/** The answer gets lost: what was asked is done, and yet a failure is told. */
function loseAnswer(res: Response, title: string): void {
  res.json = (() => {
    problem(res, 500, title);
    return res;
  }) as typeof res.json;
}

/** The troubles that the course site can be put into, so that others can be seen to bear them. */
export function moods(board: Board, delay: (ms: number) => Promise<void>) {
  const failedOnce = new Set<string>();
  let calls = 0;
  return async (req: Request, res: Response, next: NextFunction): Promise<void> => {
    const mood = await board.trouble();
    if (mood === 'down') return problem(res, 503, 'closed for repairs');
    if (mood === 'refusing' || (await board.refuses(String(req.params.ref))))
      return problem(res, 403, 'this class takes no posts');
    if (mood === 'slow') await delay(SLOW_MS);
    calls += 1;
    // Of the calls that fail, every other one has been done all the same.
    if (mood === 'moody' && calls % 10 === 5) return problem(res, 503, 'was out of sorts');
    if (mood === 'moody' && calls % 10 === 0) loseAnswer(res, 'was out of sorts after doing it');
    const call = `${req.method} ${req.originalUrl} ${JSON.stringify(req.body ?? null)}`;
    if (mood === 'twice' && !failedOnce.has(call)) {
      failedOnce.add(call);
      loseAnswer(res, 'lost its thread after doing it');
    }
    next();
  };
}
