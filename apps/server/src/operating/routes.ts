import { timingSafeEqual } from 'node:crypto';
import type { Express, Request, Response } from 'express';
import { pendingMigrations } from '../db/migrate.js';
import type { Glen } from '../glen.js';
import { answerHeaders } from '../http/headers.js';
import { figuresNow, outboxLag } from './figuresStore.js';

// For whoever runs the machine: these are no part of the API that pages use.

/** Jobs that have been due for longer are late, and whoever looks is to know. */
const LATE_SECONDS = 300;
/** A database that has not answered by then does not answer. */
const PATIENCE_MS = 3000;

/** What a part of Glen answers in time; null where it does not. */
function inTime<T>(work: Promise<T>): Promise<T | null> {
  const tooLate = new Promise<null>((resolve) => {
    setTimeout(() => resolve(null), PATIENCE_MS).unref();
  });
  return Promise.race([work.catch(() => null), tooLate]);
}

/** Whether requests may be sent here: the database answers, and has had every migration. Late jobs are told and no reason to keep people out. */
async function readiness({ db, clock }: Glen) {
  const pending = await inTime(pendingMigrations(db));
  const lagSeconds = pending && (await inTime(outboxLag(db, clock)));
  const isReady = pending?.length === 0 && lagSeconds !== null;
  return {
    ready: isReady,
    database: pending === null ? 'does not answer' : 'answers',
    migrations: pending ?? [],
    outbox: { lagSeconds, late: (lagSeconds ?? 0) > LATE_SECONDS },
  };
}

const LOOPBACK = /^(127\.\d+\.\d+\.\d+|::1|::ffff:127\.\d+\.\d+\.\d+)$/;

/** Asked on this machine, and not handed on by a proxy that runs on it, too. */
const isFromHere = (req: Request): boolean =>
  LOOPBACK.test(req.socket.remoteAddress ?? '') &&
  req.get('x-forwarded-for') === undefined &&
  req.get('forwarded') === undefined;

function bears(req: Request, token: string): boolean {
  const given = Buffer.from(req.get('authorization') ?? '');
  const wanted = Buffer.from(`Bearer ${token}`);
  return given.length === wanted.length && timingSafeEqual(given, wanted);
}

/** Figures are for whoever bears the token; where there is none, for this machine alone. */
const mayRead = (req: Request, token: string | null): boolean =>
  token === null ? isFromHere(req) : bears(req, token);

/** `/health`: the process answers. `/ready`: it can work. `/metrics`: figures for a Prometheus server. */
export function mountOperating(app: Express, glen: Glen): void {
  const headers = answerHeaders(glen);
  app.get('/health', (_req: Request, res: Response) => {
    res.set(headers).json({ health: 'well' });
  });
  app.get('/ready', async (_req: Request, res: Response) => {
    const answer = await readiness(glen);
    if (!answer.ready) res.set('Retry-After', '5');
    res
      .set(headers)
      .status(answer.ready ? 200 : 503)
      .json(answer);
  });
  app.get('/metrics', async (req: Request, res: Response) => {
    res.set(headers);
    if (!mayRead(req, glen.config.metricsToken)) {
      res.status(403).type('text/plain').send('These figures are not for you.');
      return;
    }
    const figures = await figuresNow(glen.db, glen.clock);
    const { type, body } = await glen.metrics.text(figures, glen.feed.listening);
    res.type(type).send(body);
  });
}
