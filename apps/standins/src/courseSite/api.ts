import type { Express, NextFunction, Request, Response } from 'express';
import { z } from 'zod';
import { problem } from '../problem.js';
import { moods } from './moods.js';
import { SHAPES } from './shapes.js';
import type { Board, Kind } from './store.js';

const classBody = z.object({
  title: z.string(),
  people: z.array(z.object({ email: z.string(), name: z.string(), teaches: z.boolean() })),
});
const positive = z.number().int().positive();
const part = (req: Request, name: 'ref' | 'key'): string => String(req.params[name]);

/** The addresses that another program calls, as docs/protocols/course-site.md has them. */
export function mountApi(
  app: Express,
  board: Board,
  { token, delay }: { token: string; delay: (ms: number) => Promise<void> },
): void {
  const service = (req: Request, res: Response, next: NextFunction): void => {
    if (req.get('authorization') === `Bearer ${token}`) next();
    else problem(res, 401, 'The token is not known here.');
  };
  const guards = [service, moods(board, delay)];

  app.put('/api/classes/:ref', service, async (req, res) => {
    const { title, people } = classBody.parse(req.body);
    await board.setClass(part(req, 'ref'), title, people);
    res.json({ ok: true });
  });
  for (const kind of Object.keys(SHAPES) as Kind[]) mountKind(app, board, kind, guards);
}

type Guard = (req: Request, res: Response, next: NextFunction) => unknown;

/** Listing, putting and removing things of one kind. */
function mountKind<K extends Kind>(app: Express, board: Board, kind: K, guards: Guard[]): void {
  const { path, body: shape } = SHAPES[kind];
  app.get(`/api/classes/:ref/${path}`, guards, async (req: Request, res: Response) => {
    const things = await board.things(part(req, 'ref'), kind);
    res.json({ items: things.map(({ key, revision, body }) => ({ key, revision, ...body })) });
  });
  app.put(`/api/classes/:ref/${path}/:key`, guards, async (req: Request, res: Response) => {
    const [ref, key] = [part(req, 'ref'), part(req, 'key')];
    if (!(await board.title(ref))) return problem(res, 404, 'there is no such class');
    const revision = positive.safeParse(req.body?.revision);
    const body = shape.safeParse(req.body);
    if (!revision.success || !body.success)
      return problem(res, 422, 'what was sent cannot be read');
    const thing = { key, revision: revision.data, body: body.data };
    const made = await board.put(ref, kind, thing, Date.now());
    res.status(made ? 201 : 200).json({ key, made });
  });
  app.delete(`/api/classes/:ref/${path}/:key`, guards, async (req: Request, res: Response) => {
    const revision = Number(req.query.revision);
    await board.remove(part(req, 'ref'), kind, part(req, 'key'), revision);
    res.json({ ok: true });
  });
}
