import express, { type Express, type NextFunction, type Request, type Response } from 'express';
import type { JWK } from 'jose';
import type Provider from 'oidc-provider';
import { z } from 'zod';
import { problem } from '../problem.js';
import { SIGN_ON_TROUBLES, type Directory } from './directory.js';
import { frontPage, whoPage } from './pages.js';
import { freshKey, makeProvider, type Client } from './provider.js';

const SLOW_MS = 3000;

interface SignOnSettings {
  /** The address that the provider is known by. */
  issuer: string;
  client: Client;
  publicDir: string;
  delay: (ms: number) => Promise<void>;
}

/** One provider, made when it is first asked for; its keys are changed on request. */
class Kept {
  private made: Promise<Provider> | undefined;
  private keys: JWK[] = [];

  constructor(
    private readonly directory: Directory,
    private readonly settings: SignOnSettings,
  ) {}

  get(): Promise<Provider> {
    this.made ??= this.make();
    return this.made;
  }

  /** From now on another key signs, and the one before is known no longer. */
  turnKeys(): void {
    this.keys = [];
    this.made = undefined;
  }

  private async make(): Promise<Provider> {
    if (this.keys.length === 0) this.keys = [await freshKey()];
    const { issuer, client } = this.settings;
    return makeProvider(issuer, { directory: this.directory, client, keys: this.keys });
  }
}

/** What is wrong with the whole provider. */
const moods =
  (directory: Directory, { delay }: SignOnSettings) =>
  async (req: Request, res: Response, next: NextFunction): Promise<void> => {
    const trouble = await directory.trouble();
    if (trouble === 'down') return problem(res, 503, 'closed for repairs');
    // Never answers: whoever asks has to give up by themselves.
    if (trouble === 'silent' && req.path.startsWith('/token')) return;
    if (trouble === 'slow' && req.path.startsWith('/token')) await delay(SLOW_MS);
    next();
  };

/** Where somebody says who they are, in the middle of signing on. */
function mountWho(app: Express, directory: Directory, kept: Kept): void {
  app.get('/in/:uid', async (req, res) => {
    const provider = await kept.get();
    const { uid } = await provider.interactionDetails(req, res);
    res.send(whoPage(directory.provider, await directory.all(), `/in/${uid}`));
  });
  app.post('/in/:uid', async (req, res) => {
    const provider = await kept.get();
    await provider.interactionDetails(req, res);
    const subject = String(req.body.subject ?? '');
    const isRefused = subject === '' || (await directory.trouble()) === 'refusing';
    const result = isRefused
      ? { error: 'access_denied', error_description: 'Nobody signed on' }
      : { login: { accountId: subject } };
    await provider.interactionFinished(req, res, result, { mergeWithLastSubmission: false });
  });
}

const holderShape = z.object({
  subject: z.string().max(40),
  name: z.string().max(120),
  email: z.string().max(254),
  proven: z.string().optional(),
  groups: z.string().default(''),
});

/** Who has an account, and how the provider behaves: for demos and tests. */
function mountKeeping(app: Express, directory: Directory, kept: Kept): void {
  app.get('/', async (_req, res) => {
    res.send(frontPage(directory.provider, await directory.all(), await directory.trouble()));
  });
  app.post('/people', async (req, res) => {
    const { subject, name, email, proven, groups } = holderShape.parse(req.body);
    await directory.keep({
      subject: subject || `${directory.provider[0]}-${Date.now()}`,
      name,
      email,
      proven: proven !== undefined,
      groups: groups.split(/\s+/).filter(Boolean),
    });
    res.redirect(303, '/');
  });
  app.post('/trouble', async (req, res) => {
    await directory.setTrouble(z.enum(SIGN_ON_TROUBLES).parse(req.body.kind));
    res.redirect(303, '/');
  });
  app.post('/keys', (_req, res) => {
    kept.turnKeys();
    res.redirect(303, '/');
  });
}

/** A small provider of accounts. It speaks OpenID Connect (docs/protocols/sign-on.md). */
export function signOnApp(directory: Directory, settings: SignOnSettings): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(express.static(settings.publicDir, { index: false }));
  const kept = new Kept(directory, settings);
  const form = express.urlencoded({ extended: false });
  app.use(['/in', '/people', '/trouble', '/keys'], form);
  mountKeeping(app, directory, kept);
  app.use(moods(directory, settings));
  mountWho(app, directory, kept);
  app.use(async (req, res) => (await kept.get()).callback()(req, res));
  return app;
}
