import { createHmac, randomUUID } from 'node:crypto';
import supertest, { type Response } from 'supertest';
import { inject } from 'vitest';
import type { Answer, Body, ClassItem, Post } from '@glen/contract';
import { loadDemo, setDemoTime } from '../../../demo/load.js';
import { freePort } from '../../../scripts/mariadb.mjs';
import { copyDatabases, statement, surroundings } from '../../../scripts/processes.mjs';
import { start as startStandins } from '../../standins/src/startFrom.js';
import { readConfig } from '../src/config.js';
import { startServer, type RunningServer } from '../src/start.js';
import { DEMO_TIME } from './demoTime.js';
import { expectMeantAsDefined } from './meantAsDefined.js';

/** A browser, as far as the API is concerned: its cookies, and calls from Glen's own pages. */
export class Browser {
  private readonly agent: ReturnType<typeof supertest.agent>;

  constructor(private readonly url: string) {
    this.agent = supertest.agent(url);
  }

  /** The same browser, whose calls bear some headers more. */
  with(headers: Record<string, string>): Browser {
    const other = new Browser(this.url);
    other.agent.jar = this.agent.jar;
    other.agent.set(headers);
    return other;
  }

  get(path: string): Promise<Response> {
    return this.agent.get(path).then((r) => r);
  }

  post(path: string, body: object = {}, origin = this.url): Promise<Response> {
    return this.agent
      .post(path)
      .set('Origin', origin)
      .send(body)
      .then((r) => r);
  }

  /** A write of one press: sent again with the same key it is the same. */
  press(key: string, path: string, body: object = {}): Promise<Response> {
    return this.agent
      .post(path)
      .set({ Origin: this.url, 'Idempotency-Key': key })
      .send(body)
      .then((r) => r);
  }

  put(path: string, body: object): Promise<Response> {
    return this.agent
      .put(path)
      .set('Origin', this.url)
      .send(body)
      .then((r) => r);
  }
}

export interface School {
  url: string;
  running: RunningServer;
  courseSite: string;
  video: string;
  /** Where the mailboxes are looked at. */
  mail: string;
  /** Where the providers of accounts are. */
  signOn: { school: string; home: string };
  people: Answer<'demoPeople'>['people'];
  /** A browser signed in as one of the demo's people; `null` is nobody. */
  as: (name: string | null, kind?: 'school' | 'personal') => Promise<Browser>;
  person: (name: string) => Answer<'demoPeople'>['people'][number];
  classes: Map<string, ClassItem>;
  setTime: (time: string, date?: string) => Promise<void>;
  videoEvent: (
    event: {
      room: string;
      type: string;
      visitor?: number;
      id?: string;
      at?: string;
      nth?: number;
      recording?: string;
      minutes?: number;
    },
    how?: HowSigned,
  ) => Promise<Response>;
  phoneCall: (
    asked: Omit<Body<'phoneCall'>, 'call'> & { call?: string },
    how?: HowSigned,
  ) => Promise<Response>;
  courseSiteTrouble: (kind: string) => Promise<void>;
  stop: () => Promise<void>;
}

/** Services count what they tell. */
let nthEvent = 0;
const VIDEO_SECRET = 'the demo video room and Glen share this secret';

/** What the video service says is signed with its secret, so many seconds ago. */
interface HowSigned {
  secret?: string;
  age?: number;
}

/** Asks Glen something as the video service does. */
function askAsVideo(
  url: string,
  path: string,
  { secret = VIDEO_SECRET, age = 0 }: HowSigned = {},
  asked: object,
): Promise<Response> {
  const body = JSON.stringify(asked);
  const time = String(Math.floor(Date.now() / 1000) - age);
  const signature = createHmac('sha256', secret).update(`${time}.${body}`).digest('hex');
  return supertest(url)
    .post(path)
    .set({
      'Content-Type': 'application/json',
      'X-Room-Time': time,
      'X-Room-Signature': signature,
    })
    .send(body)
    .then((r) => r);
}

/** Glen's database and that of the stand-ins. */
const both = (name: string): string[] => [name, `${name}_standins`];

let isTemplateInUse = false;

/** Databases to begin in, and the port to be met at: a copy of this worker's school, or, beside another that runs, empty ones. */
async function beginFrom(
  mariadb: { port: number },
  database: string,
): Promise<{ port: number; giveBack: () => void }> {
  const template = inject('templates')[Number(process.env['VITEST_POOL_ID']) - 1];
  if (template === undefined || isTemplateInUse) {
    for (const name of both(database))
      await statement(mariadb, `CREATE DATABASE ${name} CHARACTER SET utf8mb4`);
    return { port: await freePort(), giveBack: () => {} };
  }
  isTemplateInUse = true;
  const pairs = both(template.name).map((from, i): [string, string] => [from, both(database)[i]!]);
  await copyDatabases(mariadb, pairs);
  return {
    port: template.port,
    giveBack: () => {
      isTemplateInUse = false;
    },
  };
}

/** A server in this process with the demo school on databases of its own, beside real stand-ins. */
/** `byName`: people reach it as `localhost`, where there can be passkeys. */
export async function startSchool({
  undoSeconds = 0,
  byName = false,
}: { undoSeconds?: number; byName?: boolean } = {}): Promise<School> {
  const mariadb = {
    port: inject('mariadbPort'),
    url: (name: string) => `mariadb://root@127.0.0.1:${inject('mariadbPort')}/${name}`,
  };
  const database = `t${randomUUID().replaceAll('-', '').slice(0, 12)}`;
  const { port, giveBack } = await beginFrom(mariadb, database);
  const around = await surroundings({ mariadb, database, port, undoSeconds });
  const standins = await startStandins(around.standins);
  const url = byName ? `http://localhost:${port}` : around.publicUrl;
  const env = { ...around.server, GLEN_PUBLIC_URL: url, GLEN_DEMO: '1' };
  const running = await startServer(readConfig(env), {
    checkAnswers: true,
  });
  if (!(await loadDemo(running.glen, DEMO_TIME))) await setDemoTime(running.glen, DEMO_TIME);
  const nobody = new Browser(url);
  const { people } = (await nobody.get('/api/demo/people')).body as Answer<'demoPeople'>;
  const person = (name: string): School['people'][number] => people.find((p) => p.name === name)!;
  const as: School['as'] = async (name, kind = 'school') => {
    const browser = new Browser(url);
    if (name !== null)
      await browser.post('/api/demo/sign-in', {
        accountId: person(name).accounts.find((a) => a.kind === kind)!.id,
      });
    return browser;
  };
  const { classes } = (await (await as('Noor Achterberg')).get('/api/classes'))
    .body as Answer<'classes'>;
  return {
    url,
    running,
    people,
    as,
    person,
    courseSite: around.courseSite,
    video: around.video,
    mail: around.mail,
    signOn: around.signOn,
    classes: new Map(classes.map((c) => [c.pennant.letters, c])),
    setTime: async (time, date = '2026-10-14') => {
      await nobody.post('/api/demo/clock', { date, time });
    },
    videoEvent: (event, how) =>
      askAsVideo(url, '/api/webhooks/video', how, {
        id: randomUUID(),
        nth: (nthEvent += 1),
        at: `${new Date().toISOString().slice(0, 19)}Z`,
        ...event,
        ...(event.visitor === undefined ? {} : { visitor: String(event.visitor) }),
      }),
    phoneCall: (asked, how) =>
      askAsVideo(url, '/api/webhooks/video/call', how, { call: 'one', ...asked }),
    courseSiteTrouble: async (kind) => {
      await fetch(`${around.courseSite}/trouble`, {
        method: 'POST',
        body: new URLSearchParams({ kind }),
        redirect: 'manual',
      });
    },
    stop: async () => {
      try {
        await expectMeantAsDefined(running.glen.db);
      } finally {
        await running.stop();
        await standins.stop();
        for (const name of both(database)) await statement(mariadb, `DROP DATABASE ${name}`);
        giveBack();
      }
    },
  };
}

/** One of the posts that a browser's teacher can see. */
export async function postOf(browser: Browser, id: number): Promise<Post> {
  const { posts } = (await browser.get('/api/posts')).body as Answer<'allPosts'>;
  return posts.find((p) => p.id === id)!;
}

/** Changes one date of a series, as its page does. */
export const changeDate = (
  browser: Browser,
  date: { seriesId: number; version: number; key: string },
  change: Body<'changeSessions'>['changes'][number]['change'],
): Promise<Response> =>
  browser.post('/api/sessions/change', { changes: [{ ...date, scope: 'one', change }] });

/** Asks until the answer is as wished, a look every 50 ms; fails with the last answer after half a minute. */
export async function until<T>(ask: () => Promise<T>, wished: (answer: T) => boolean): Promise<T> {
  const deadline = Date.now() + 30000;
  for (;;) {
    const answer = await ask();
    if (wished(answer)) return answer;
    if (Date.now() > deadline) throw new Error(`Still not as wished: ${JSON.stringify(answer)}`);
    await new Promise((resolve) => {
      setTimeout(resolve, 50);
    });
  }
}
