import { spawn, type ChildProcess } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { root } from '../build.mjs';
import { freePort } from '../mariadb.mjs';

/** How many kills: some each time, and by `GLEN_KILLS` as many as wished. */
const KILLS = Number(process.env['GLEN_KILLS'] ?? 8);
/** Draws the moments; told with what fails. */
const SEED = Number(process.env['GLEN_SEED'] ?? Date.now() % 100000);
const SIGNALS = ['SIGINT', 'SIGTERM', 'SIGKILL'] as const;
/** So long takes the longest start of those that are killed. Milliseconds. */
const LONGEST_MS = 5000;

const dir = mkdtempSync(join(tmpdir(), 'glen-kills-'));
afterAll(() => rmSync(dir, { recursive: true, force: true }));

/** A command under a name of its own, by which all that it starts can be found. */
class Command {
  readonly name = `kills-${randomBytes(6).toString('hex')}`;
  said = '';
  private readonly child: ChildProcess;
  private readonly ended: Promise<void>;

  constructor(args: string[]) {
    this.child = spawn(process.execPath, [join(root, 'scripts/glen.mjs'), ...args], {
      cwd: root,
      env: { ...process.env, GLEN_FAMILY: this.name },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    for (const stream of [this.child.stdout!, this.child.stderr!])
      stream.on('data', (data: Buffer) => {
        this.said += data.toString();
      });
    this.ended = new Promise((resolve) => {
      this.child.once('close', () => resolve());
    });
  }

  async says(words: string): Promise<void> {
    const told = new Promise<void>((resolve) => {
      const look = (): void => {
        if (this.said.includes(words)) resolve();
      };
      this.child.stdout!.on('data', look);
      look();
    });
    await Promise.race([told, this.ended]);
    expect(this.said).toContain(words);
  }

  /** Its processes, and theirs. */
  processes(part = ''): number[] {
    const mark = `GLEN_FAMILY=${this.name}`;
    return readdirSync('/proc')
      .filter((entry) => /^\d+$/.test(entry))
      .filter((pid) => {
        try {
          const [around, line] = ['environ', 'cmdline'].map((file) =>
            readFileSync(`/proc/${pid}/${file}`, 'latin1'),
          );
          return `\0${around}`.includes(`\0${mark}`) && line!.includes(part);
        } catch {
          return false;
        }
      })
      .map(Number);
  }

  async kill(signal: NodeJS.Signals): Promise<void> {
    this.child.kill(signal);
    await this.ended;
  }

  /** Waits until all are gone; what is left after half a minute is told. */
  async left(): Promise<number[]> {
    const deadline = Date.now() + 30000;
    while (this.processes().length > 0 && Date.now() < deadline) await pause(100);
    return this.processes();
  }
}

const pause = (ms: number): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, ms);
  });

const up = async (data: string): Promise<string[]> => [
  'up',
  '--data',
  join(dir, data),
  '--port',
  String(await freePort()),
];

describe('a first start', () => {
  it('that is killed while it makes its data folder works at the next try', async () => {
    const first = new Command(await up('killed'));
    while (first.processes('mariadb-install-db').length === 0) await pause(20);
    await pause(300);
    await first.kill('SIGKILL');
    expect(await first.left()).toEqual([]);
    const second = new Command(await up('killed'));
    await second.says('Glen is ready at');
    await second.kill('SIGTERM');
    expect(second.said).toContain('Stopped.');
    expect(await second.left()).toEqual([]);
  });

  it('and another at the same moment in another folder both work', async () => {
    const both = [new Command(await up('one')), new Command(await up('other'))];
    await Promise.all(both.map((each) => each.says('Glen is ready at')));
    await Promise.all(both.map((each) => each.kill('SIGINT')));
    for (const each of both) expect(await each.left()).toEqual([]);
  });
});

describe('a start that runs', () => {
  it('starts a server again that has died, and says so', async () => {
    const demo = new Command(await up('dying'));
    await demo.says('Glen is ready at');
    const [server] = demo.processes('apps/server/dist/demo.js');
    process.kill(server!, 'SIGKILL');
    await demo.says('The server is there again.');
    const address = /Glen is ready at (\S+)/.exec(demo.said)![1]!;
    expect((await fetch(`${address}/ready`)).status).toBe(200);
    await demo.kill('SIGTERM');
    expect(await demo.left()).toEqual([]);
  });
});

describe('nothing is left of a command that is killed', () => {
  let commands: (() => Promise<string[]>)[];
  beforeAll(async () => {
    const demo = new Command(await up('kills'));
    await demo.says('Glen is ready at');
    await demo.kill('SIGTERM');
    const port = async (): Promise<string> => String(await freePort());
    commands = [
      () => up('kills'),
      async () => ['serve', '--data', join(dir, 'school'), '--port', await port()],
      () => Promise.resolve(['test', 'api', 'apps/server/test/headers.api.test.ts']),
      () => Promise.resolve(['bench', 'door']),
    ];
  });

  it(`at ${KILLS} moments of starting and running, by any signal; seed ${SEED}`, async () => {
    const moments = fc.sample(fc.nat(LONGEST_MS), { numRuns: KILLS, seed: SEED });
    const left: string[] = [];
    for (let i = 0; i < KILLS; i++) {
      const args = await commands[i % commands.length]!();
      const [signal, after] = [SIGNALS[i % SIGNALS.length]!, moments[i]!];
      const command = new Command(args);
      await pause(after);
      await command.kill(signal);
      for (const pid of await command.left())
        left.push(`${args[0]} by ${signal} after ${after} ms: process ${pid}`);
    }
    expect(left).toEqual([]);
  });

  it('and the next start on the same folder works', async () => {
    const next = new Command(await up('kills'));
    await next.says('Glen is ready at');
    await next.kill('SIGTERM');
    expect(await next.left()).toEqual([]);
  });
});
