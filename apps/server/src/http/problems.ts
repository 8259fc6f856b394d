import type { Express, NextFunction, Request, Response } from 'express';
import { GlenInputError } from '@glen/core';
import { isUnreachable } from '../db/errors.js';
import type { Glen } from '../glen.js';
import { answerHeaders } from './headers.js';
import { HttpProblem } from './problem.js';

const nothingHere = (): HttpProblem => new HttpProblem(404, 'There is nothing at this address.');

/** What a library says of a request that it could not take: its number alone, never its words. */
function refusal(status: number): HttpProblem {
  if (status === 404) return nothingHere();
  return new HttpProblem(
    status,
    status === 413 ? 'That is too much at once.' : 'This request cannot be read.',
  );
}

/** The number by which whoever asked is told of an error. */
export function statusOf(error: unknown): number {
  if (error instanceof HttpProblem) return error.status;
  if (error instanceof GlenInputError) return 422;
  const status = (error as { status?: number }).status;
  if (status && status >= 400 && status < 500) return status;
  return isUnreachable(error) ? 503 : 500;
}

/** Seconds after which it is worth asking again while the database is away. */
const AWAY_SECONDS = 2;

/** An error as whoever asked is told of it; what we did not expect is logged, and told without its innards. */
function problemOf(glen: Pick<Glen, 'log'>, error: unknown): HttpProblem {
  if (error instanceof HttpProblem) return error;
  if (error instanceof GlenInputError)
    return new HttpProblem(422, 'Something needs mending.', {
      errors: [{ path: error.path, message: error.message }],
    });
  const status = (error as { status?: number }).status;
  if (status && status >= 400 && status < 500) return refusal(status);
  if (isUnreachable(error)) {
    glen.log.warn({ err: error }, 'database away');
    return new HttpProblem(503, 'The database does not answer just now; try again in a moment.', {
      retryAfter: AWAY_SECONDS,
    });
  }
  glen.log.error({ err: error }, 'request failed');
  return new HttpProblem(500, 'Something went wrong on our side. Nothing was changed.');
}

const isOfApi = ({ originalUrl }: Request): boolean => /^\/api(\/|$|\?)/.test(originalUrl);

/** After the endpoints, before pages: whatever else the API is asked for. */
export function mountNothingElse(app: Express): void {
  app.use('/api', (_req: Request, _res: Response, next: NextFunction) => next(nothingHere()));
}

/** Last of all: errors as problem details in the API (RFC 9457), in one line of plain text elsewhere. */
export function mountProblems(app: Express, glen: Pick<Glen, 'config' | 'log'>): void {
  const headers = answerHeaders(glen);
  app.use((_req: Request, _res: Response, next: NextFunction) => next(nothingHere()));
  app.use((error: unknown, req: Request, res: Response, next: NextFunction) => {
    if (res.headersSent) return next(error);
    const problem = problemOf(glen, error);
    res.status(problem.status).set(headers);
    if (problem.retryAfter !== undefined) res.set('Retry-After', String(problem.retryAfter));
    if (isOfApi(req)) res.type('application/problem+json').send(JSON.stringify(problem.body()));
    else res.type('text/plain; charset=utf-8').send(problem.message);
  });
}
