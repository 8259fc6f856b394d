import { parseCookie } from 'cookie';
import express, { type Express, type Request, type Response } from 'express';
import { z } from 'zod';
import {
  ON_BEHALF,
  endpointNames,
  endpointOf,
  type Answer,
  type Body,
  type EndpointName,
  type Params,
  type Query,
} from '@glen/contract';
import { schemas } from '@glen/contract/schemas';
import type { Glen } from '../glen.js';
import { authorise } from './access.js';
import { mustBeConfirmed } from './confirmed.js';
import { answerHeaders } from './headers.js';
import { asHelper } from './helping.js';
import { HttpProblem } from './problem.js';
import { actingAs } from './onBehalf.js';
import { Presses, type Outcome, type Press } from './presses.js';
import { statusOf } from './problems.js';
import { mustBeReadable, mustBeUtf8, refuseBrokenText } from './text.js';
import type { From } from './from.js';
import { SentOn, type KeptCookie } from './keptCookie.js';
import { NOBODY, cookieName, hostOnly, knownName, type Who } from './who.js';
import { type NewSession } from './browserSessions.js';
import { whoHolds } from './whoStore.sql.js';

/** One request, parsed and allowed, as a handler sees it. */
export interface Call<N extends EndpointName> {
  params: Params<N>;
  query: Query<N>;
  body: Body<N>;
  who: Who;
  /** The browser session's token, for endpoints that find out who asks in a query of their own. */
  token: string | undefined;
  from: From;
  rawBody: Buffer | undefined;
  header: (name: string) => string | undefined;
  setSession: (session: NewSession | null) => void;
  /** Something that the browser keeps, by its short name. */
  cookie: (name: string) => string | undefined;
  keepCookie: (cookie: KeptCookie) => void;
  /** What was asked for, with its query. */
  path: string;
  res: Response;
}

/** An answer that the handler writes itself (a stream). */
export const STREAMED = Symbol('streamed');

/** A missing or surplus handler does not compile. */
export type Handlers = {
  [N in EndpointName]: (call: Call<N>) => Promise<Answer<N> | typeof STREAMED | SentOn>;
};

/** Endpoints whose handlers write the answer: streams and files. */
const ANSWERS_ITSELF: ReadonlySet<EndpointName> = new Set([
  'live',
  'calendarFeed',
  'newsFeed',
  'weekFile',
  'seriesFile',
  'recording',
]);

/** Endpoints that read who asks together with what is asked, in one query. */
const READS_WHO_ITSELF: ReadonlySet<EndpointName> = new Set(['door']);

type Issue = { path: PropertyKey[]; message: string; code?: string; errors?: Issue[][] };

/** Zod's issues as path and message; of a union, those of the branch that came nearest. */
function flatten(issues: Issue[], base: PropertyKey[] = []): { path: string; message: string }[] {
  return issues.flatMap((issue) => {
    const path = [...base, ...issue.path];
    if (issue.code === 'invalid_union' && issue.errors?.length) {
      const depth = (branch: Issue[]): number =>
        Math.max(
          ...branch.map((i) => i.path.length * 10 - (i.code === 'unrecognized_keys' ? 5 : 0)),
          0,
        ) - branch.length;
      const nearest = [...issue.errors].sort((a, b) => depth(b) - depth(a))[0]!;
      return flatten(nearest, path);
    }
    return [{ path: path.map(String).join('.'), message: issue.message }];
  });
}

function parse(schema: z.ZodType | undefined, value: unknown): unknown {
  if (!schema) return undefined;
  const read = schema.safeParse(value ?? {});
  if (read.success) return read.data;
  throw new HttpProblem(422, 'Something needs mending.', {
    errors: flatten(read.error.issues as Issue[]),
  });
}

function checkOrigin(glen: Glen, req: Request): void {
  const origin = req.get('origin');
  if (origin !== new URL(glen.config.publicUrl).origin)
    throw new HttpProblem(403, 'This request does not come from Glen’s own pages.');
}

const cookieOptions = ({ config }: Glen) => ({
  httpOnly: true,
  sameSite: 'lax' as const,
  secure: config.publicUrl.startsWith('https:'),
  path: '/',
});

/** Sets the session that the browser is to keep; nobody's any more with null. */
function sessionSetter(glen: Glen, res: Response) {
  const cookie = cookieName(glen.config);
  return (session: NewSession | null): void => {
    const options = cookieOptions(glen);
    if (session)
      res.cookie(cookie, session.token, { ...options, maxAge: session.maxAgeSeconds * 1000 });
    else res.clearCookie(cookie, options);
  };
}

/** Browsers keep nothing longer (RFC 6265bis, 5.5: 400 days). */
const KNOWN_SECONDS = 400 * 86400;

type Cookies = ReturnType<typeof parseCookie>;

/** Where a request comes from; what has the browser be known again, also after signing out, goes with its outcome. */
function fromOf(
  glen: Glen,
  { req, cookies, outcome }: { req: Request; cookies: Cookies; outcome: Outcome },
): From {
  const cookie = knownName(glen.config);
  // Most endpoints ask for none of these: each is found out where it is.
  return {
    get address() {
      return req.ip ?? '';
    },
    get userAgent() {
      return req.get('user-agent');
    },
    known: cookies[cookie],
    remember: (token) => {
      outcome.known = token;
    },
  };
}

/** What a handler asks of the browser that asks, and has it keep with the outcome. */
const browserOf = (
  glen: Glen,
  { req, cookies, outcome }: { req: Request; cookies: Cookies; outcome: Outcome },
) => ({
  from: fromOf(glen, { req, cookies, outcome }),
  path: req.originalUrl,
  header: (name: string) => req.get(name),
  cookie: (name: string) => cookies[hostOnly(glen.config, name)],
  setSession: (session: NewSession | null) => {
    outcome.session = session;
  },
  keepCookie: (cookie: KeptCookie) => {
    outcome.kept = [...(outcome.kept ?? []), cookie];
  },
});

/** Has the browser keep what came of a request. */
function settle(glen: Glen, res: Response, { session, known, kept = [] }: Outcome): void {
  if (session !== undefined) sessionSetter(glen, res)(session);
  for (const { name, value, seconds } of kept) {
    const options = cookieOptions(glen);
    if (value === null) res.clearCookie(hostOnly(glen.config, name), options);
    else res.cookie(hostOnly(glen.config, name), value, { ...options, maxAge: seconds * 1000 });
  }
  if (known === undefined) return;
  const options = { ...cookieOptions(glen), maxAge: KNOWN_SECONDS * 1000 };
  res.cookie(knownName(glen.config), known, options);
}

/** Answers without what Express adds to pages: these are many, and all alike. */
function sendJson(res: Response, headers: Record<string, string>, answer: unknown): void {
  const body = JSON.stringify(answer);
  res.writeHead(200, {
    ...headers,
    'Content-Type': 'application/json; charset=utf-8',
    'Content-Length': Buffer.byteLength(body),
  });
  res.end(body);
}

interface Shape {
  params?: z.ZodType;
  query?: z.ZodType;
  body?: z.ZodType;
  answer: z.ZodType;
}

interface MountOptions {
  /** Each answer is held against its schema, for tests. */
  checkAnswers?: boolean;
}

/** The press that a write came of, where it says so. Services say nothing of the kind. */
function pressIn(
  req: Request,
  { name, token }: { name: EndpointName; token: string | undefined },
): Press | undefined {
  const key = req.get('idempotency-key');
  if (key === undefined || endpointOf(name).who === 'service') return undefined;
  const { rawBody } = req as Request & { rawBody?: Buffer };
  return { key, token, asked: [name, req.originalUrl, req.get(ON_BEHALF) ?? '', rawBody ?? ''] };
}

type Answering = (req: Request, res: Response) => Promise<void>;

/** The same, with how long each answer took. */
function counted({ metrics }: Glen, name: EndpointName, answer: Answering): Answering {
  return async (req, res) => {
    const begun = performance.now();
    const count = (status: number): void =>
      metrics.answered(name, status, (performance.now() - begun) / 1000);
    try {
      await answer(req, res);
      count(res.statusCode);
    } catch (error) {
      count(statusOf(error));
      throw error;
    }
  };
}

/** What answers the requests of one endpoint: parsed and allowed, and then its handler. */
function answering<N extends EndpointName>(
  glen: Glen,
  name: N,
  handler: Handlers[N],
  { checkAnswers = false, presses }: MountOptions & { presses: Presses },
) {
  const endpoint = endpointOf(name);
  const shape: Shape = schemas[name];
  const headers = answerHeaders(glen);
  const cookie = cookieName(glen.config);
  const isWrite = endpoint.method !== 'GET';

  const answer = async (req: Request, res: Response): Promise<void> => {
    if (isWrite && endpoint.who !== 'service') checkOrigin(glen, req);
    mustBeReadable(req);
    refuseBrokenText([req.params, req.query, req.body]);
    if (ANSWERS_ITSELF.has(name)) res.set(headers);
    const cookies = parseCookie(req.headers.cookie ?? '');
    const token = cookies[cookie];
    const behalf = req.get(ON_BEHALF);
    const own = READS_WHO_ITSELF.has(name) ? NOBODY : await whoHolds(glen, token);
    const { who, helper } = await actingAs(glen, own, { name, asked: behalf });
    // Whoever may not call learns that before anything about what a right body looks like.
    const params = parse(shape.params, req.params) as Params<N>;
    await authorise(glen.db, {
      caller: endpoint.who,
      needsGoingOn: isWrite && !endpoint.atRest,
      lasting: endpoint.lasting === true,
      of: endpoint.of,
      params: (params ?? {}) as Record<string, unknown>,
      who,
    });
    if (endpoint.confirms) await mustBeConfirmed(glen, who);
    const query = parse(shape.query, req.query) as Query<N>;
    const body = parse(shape.body, req.body) as Body<N>;
    const { rawBody } = req as Request & { rawBody?: Buffer };
    const made: Outcome = { answer: undefined };
    const work = async (): Promise<Outcome> => {
      const browser = browserOf(glen, { req, cookies, outcome: made });
      const answer = await handler({ params, query, body, who, token, rawBody, res, ...browser });
      return Object.assign(made, { answer });
    };
    const press = isWrite ? pressIn(req, { name, token }) : undefined;
    const answered = (): Promise<Outcome> => (press ? presses.once(press, work) : work());
    const outcome = await asHelper(helper, answered).catch((error: unknown) => {
      // Whoever is told of trouble may have a place all the same, and is to be known there again.
      settle(glen, res, { answer: undefined, session: made.session });
      throw error;
    });
    settle(glen, res, outcome);
    if (outcome.answer === STREAMED) return;
    if (outcome.answer instanceof SentOn)
      return void res.set(headers).redirect(303, outcome.answer.to);
    if (checkAnswers) shape.answer.parse(outcome.answer);
    sendJson(res, headers, outcome.answer);
  };
  return counted(glen, name, answer);
}

/** The door first: it is asked all day, and routes are looked through in their order. Then all that bears no body. */
const FIRST: EndpointName[] = ['door'];
const isRead = (name: EndpointName): boolean => endpointOf(name).method === 'GET';
const READS = endpointNames.filter((name) => isRead(name) && !FIRST.includes(name));
const WRITES = endpointNames.filter((name) => !isRead(name));

/** Mounts every endpoint of the contract. */
export function mountEndpoints(
  app: Express,
  glen: Glen,
  handlers: Handlers,
  options: MountOptions = {},
): void {
  const presses = new Presses(glen);
  const mount = <N extends EndpointName>(name: N): void => {
    const { who, method, path } = endpointOf(name);
    if (who === 'demo' && !glen.config.demo) return;
    const verb = method.toLowerCase() as 'get' | 'post' | 'put';
    app[verb](path, answering(glen, name, handlers[name], { ...options, presses }));
  };
  const keepRaw = (req: Request, _res: Response, body: Buffer): void => {
    mustBeUtf8(body);
    (req as Request & { rawBody?: Buffer }).rawBody = body;
  };
  [...FIRST, ...READS].forEach(mount);
  app.use('/api', express.json({ limit: '1mb', verify: keepRaw as never }));
  // Providers of accounts tell by a form that somebody has signed out (OpenID Connect Back-Channel Logout 1.0, 2.5).
  app.use('/api/sign-on', express.urlencoded({ extended: false, limit: '50kb' }));
  WRITES.forEach(mount);
}
