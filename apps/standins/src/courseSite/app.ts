import { parseCookie } from 'cookie';
import express, { type Express, type NextFunction, type Request, type Response } from 'express';
import sanitizeHtml from 'sanitize-html';
import { z } from 'zod';
import { classPage, contentsPage, frame, readersPage, troublePage } from './pages.js';
import { Board, TROUBLES, type Bodies, type Kind, type Thing } from './store.js';

const COOKIE = 'board_reader';
const classBody = z.object({
  title: z.string(),
  people: z.array(z.object({ email: z.string(), name: z.string(), teaches: z.boolean() })),
});

const clean = (html: string): string =>
  sanitizeHtml(html, {
    allowedTags: ['p', 'br', 'a', 'b', 'strong', 'i', 'em', 'ul', 'ol', 'li'],
    allowedAttributes: { a: ['href', 'target', 'rel'] },
    allowedSchemes: ['http', 'https'],
  });
const html = z.string().max(1_000_000).transform(clean);
const address = z.url({ protocol: /^https?$/ }).nullable();
const title = z.string().max(300);
const position = z.number().int().min(0);
const utcInstant = z.iso.datetime();
const shown = {
  readers: z.array(z.string().max(254)).max(5000).nullable().default(null),
  struck: z.boolean().default(false),
};

/** What each kind of thing is made of, and the word for it in addresses. */
const SHAPES: { [K in Kind]: { path: string; body: z.ZodType<Bodies[K]> } } = {
  post: { path: 'stream', body: z.object({ html, pinned: z.boolean().default(false), ...shown }) },
  section: { path: 'sections', body: z.object({ title, position }) },
  item: {
    path: 'items',
    body: z.object({
      section: z.string().max(80),
      position,
      title,
      html,
      address,
      newTab: z.boolean(),
      ...shown,
    }),
  },
  event: {
    path: 'calendar',
    body: z.object({ title, start: utcInstant, end: utcInstant, html, address, ...shown }),
  },
};

const problem = (res: Response, status: number, title: string): void => {
  res
    .status(status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', title, status }));
};

/** A plain course site: streams, course pages and calendars as a printed notice board. It speaks docs/protocols/course-site.md. */
export function courseSiteApp(
  board: Board,
  {
    token,
    publicDir,
    zone,
    delay,
  }: { token: string; publicDir: string; zone: string; delay: (ms: number) => Promise<void> },
): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    express.json({ limit: '2mb' }),
    express.urlencoded({ extended: false }),
    express.static(publicDir, { index: false }),
  );
  const failedOnce = new Set<string>();
  let calls = 0;

  const service = async (req: Request, res: Response, next: NextFunction): Promise<void> => {
    if (req.get('authorization') !== `Bearer ${token}`)
      return problem(res, 401, 'The token is not known here.');
    next();
  };
  const moods = async (req: Request, res: Response, next: NextFunction): Promise<void> => {
    const mood = await board.trouble();
    if (mood === 'down') return problem(res, 503, 'closed for repairs');
    if (mood === 'refusing') return problem(res, 403, 'this class takes no posts');
    if (await board.refuses(String(req.params.ref)))
      return problem(res, 403, 'this class takes no posts');
    if (mood === 'slow') await delay(3000);
    calls += 1;
    // Of the calls that fail, every other one has been done all the same.
    if (mood === 'moody' && calls % 10 === 5) return problem(res, 503, 'was out of sorts');
    if (mood === 'moody' && calls % 10 === 0)
      res.json = (() => {
        problem(res, 500, 'was out of sorts after doing it');
        return res;
      }) as typeof res.json;
    const call = `${req.method} ${req.originalUrl} ${JSON.stringify(req.body ?? null)}`;
    if (mood === 'twice' && !failedOnce.has(call)) {
      failedOnce.add(call);
      res.json = (() => {
        problem(res, 500, 'lost its thread after doing it');
        return res;
      }) as typeof res.json;
    }
    next();
  };

  app.put('/api/classes/:ref', service, async (req, res) => {
    const { title, people } = classBody.parse(req.body);
    await board.setClass(String(req.params.ref), title, people);
    res.json({ ok: true });
  });
  const mount = <K extends Kind>(kind: K): void => {
    const { path, body: shape } = SHAPES[kind];
    app.get(`/api/classes/:ref/${path}`, service, moods, async (req, res) => {
      const things = await board.things(String(req.params.ref), kind);
      res.json({ items: things.map(({ key, revision, body }) => ({ key, revision, ...body })) });
    });
    app.put(`/api/classes/:ref/${path}/:key`, service, moods, async (req, res) => {
      const ref = String(req.params.ref);
      if (!(await board.title(ref))) return problem(res, 404, 'there is no such class');
      const revision = z.number().int().positive().safeParse(req.body?.revision);
      const body = shape.safeParse(req.body);
      if (!revision.success || !body.success)
        return problem(res, 422, 'what was sent cannot be read');
      const made = await board.put(
        ref,
        kind,
        String(req.params.key),
        revision.data,
        body.data,
        Date.now(),
      );
      res.status(made ? 201 : 200).json({ key: req.params.key, made });
    });
    app.delete(`/api/classes/:ref/${path}/:key`, service, moods, async (req, res) => {
      await board.remove(
        String(req.params.ref),
        kind,
        String(req.params.key),
        Number(req.query.revision),
      );
      res.json({ ok: true });
    });
  };
  (Object.keys(SHAPES) as Kind[]).forEach(mount);

  const reader = (req: Request): string => parseCookie(req.headers.cookie ?? '')[COOKIE] ?? '';

  app.post('/as', (req, res) => {
    const email = String(req.body.email ?? '');
    if (email) res.cookie(COOKIE, email, { httpOnly: true, sameSite: 'lax' });
    else res.clearCookie(COOKIE);
    res.redirect(303, '/');
  });
  app.get('/', async (req, res) => {
    const email = reader(req);
    res.send(
      email ? contentsPage(email, await board.classesOf(email)) : readersPage(await board.people()),
    );
  });
  app.get('/class/:ref', async (req, res) => {
    const email = reader(req);
    const ref = String(req.params.ref);
    const known = email ? (await board.classesOf(email)).find((c) => c.ref === ref) : undefined;
    if (!known) {
      res
        .status(email ? 403 : 200)
        .send(
          frame(
            email,
            'Notice board',
            `<h1>${email ? 'Not on this list' : 'Who is reading?'}</h1><p>${email ? 'This class does not list you.' : '<a href="/">Choose a reader</a> first.'}</p>`,
          ),
        );
      return;
    }
    const sees = <K extends 'post' | 'item' | 'event'>(things: Thing<K>[]): Thing<K>[] =>
      things.filter((t) => known.teaches || !t.body.readers || t.body.readers.includes(email));
    const [posts, sections, items, events] = await Promise.all([
      board.things(ref, 'post'),
      board.things(ref, 'section'),
      board.things(ref, 'item'),
      board.things(ref, 'event'),
    ]);
    res.send(
      classPage(
        email,
        {
          ref,
          title: known.title,
          teaches: Boolean(known.teaches),
          posts: sees(posts),
          sections,
          items: sees(items),
          events: sees(events),
        },
        zone,
      ),
    );
  });
  app.post('/class/:ref/take-off', async (req, res) => {
    const ref = String(req.params.ref);
    const known = (await board.classesOf(reader(req))).find((c) => c.ref === ref);
    if (!known?.teaches) return problem(res, 403, 'only who teaches the class may take things off');
    await board.takeOff(
      ref,
      z.enum(['post', 'section', 'item', 'event']).parse(req.body.kind),
      String(req.body.key),
    );
    res.redirect(303, `/class/${encodeURIComponent(ref)}`);
  });
  app.get('/trouble', async (req, res) => {
    res.send(troublePage(reader(req), await board.trouble()));
  });
  app.post('/trouble', async (req, res) => {
    if (typeof req.body.ref === 'string')
      await board.setRefusing(req.body.ref, req.body.kind === 'refusing');
    else await board.setTrouble(z.enum(TROUBLES).parse(req.body.kind));
    res.redirect(303, '/trouble');
  });
  return app;
}
