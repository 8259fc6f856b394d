import { parseCookie } from 'cookie';
import express, { type Express, type Request } from 'express';
import { z } from 'zod';
import { problem } from '../problem.js';
import { mountApi } from './api.js';
import { classPage, contentsPage, frame, readersPage, troublePage } from './pages.js';
import { TROUBLES, type Board, type Kind, type Thing } from './store.js';

const COOKIE = 'board_reader';

const reader = (req: Request): string => parseCookie(req.headers.cookie ?? '')[COOKIE] ?? '';

function notListed(email: string): string {
  const title = email ? 'Not on this list' : 'Who is reading?';
  const text = email ? 'This class does not list you.' : '<a href="/">Choose a reader</a> first.';
  return frame(email, 'Notice board', `<h1>${title}</h1><p>${text}</p>`);
}

/** What somebody sees of a class; null: all of it, as who teaches it does. */
async function seenBy(board: Board, ref: string, email: string | null) {
  const seen = async <K extends Exclude<Kind, 'section'>>(kind: K): Promise<Thing<K>[]> => {
    const things = await board.things(ref, kind);
    return things.filter(
      ({ body: { readers } }) => email === null || !readers || readers.includes(email),
    );
  };
  const [posts, sections, items, events] = await Promise.all([
    seen('post'),
    board.things(ref, 'section'),
    seen('item'),
    seen('event'),
  ]);
  return { posts, sections, items, events };
}

/** The pages that people read. */
function mountPages(app: Express, board: Board, zone: string): void {
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
    if (!known) return void res.status(email ? 403 : 200).send(notListed(email));
    const { title, teaches } = known;
    const seen = await seenBy(board, ref, teaches ? null : email);
    res.send(classPage(email, { ref, title, teaches: Boolean(teaches), ...seen }, zone));
  });
}

/** What those who teach may take off, and the troubles that the site can be put into. */
function mountActions(app: Express, board: Board): void {
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
}

interface SiteSettings {
  token: string;
  publicDir: string;
  zone: string;
  delay: (ms: number) => Promise<void>;
}

/** A plain course site: streams, course pages and calendars as a printed notice board. It speaks docs/protocols/course-site.md. */
export function courseSiteApp(board: Board, settings: SiteSettings): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    express.json({ limit: '2mb' }),
    express.urlencoded({ extended: false }),
    express.static(settings.publicDir, { index: false }),
  );
  mountApi(app, board, settings);
  mountPages(app, board, settings.zone);
  mountActions(app, board);
  return app;
}
