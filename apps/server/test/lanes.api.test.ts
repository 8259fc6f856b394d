import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { ClassItem } from '@glen/contract';
import { moves, roomOf } from './roomTools.js';
import { startSchool, until, type Browser, type School } from './support.js';

// A service that hangs or is away holds up nothing but its own, and is asked again when it is back.

let school: School;
let host: Browser;
let n3: ClassItem;
beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  n3 = school.classes.get('N3')!;
});
afterEach(async () => {
  goOn();
  await school.stop();
});

let goOn = (): void => {};

interface JobRow {
  kind: string;
  state: string;
  tries: number;
  last_error: string | null;
}
const jobs = (kind: string): Promise<JobRow[]> =>
  school.running.glen.db.rows<JobRow>(
    `SELECT kind, state, tries, last_error FROM outbox WHERE kind = :kind AND state <> 'done' ORDER BY id`,
    { kind },
  );
/** The lesson of period 3 with its host and one of the roll in the room; gives the visitor. */
async function pupilInside(): Promise<number> {
  await school.setTime('10:46');
  const { go } = (await host.post(`/api/links/${n3.link.id}/open`)).body as { go: string };
  const arrived = (name: string): Promise<number> =>
    moves(school, { room: roomOf(go), type: 'arrived', name });
  await arrived('Ottoline Marsh');
  const pupil = await school.as('Ansel Grue');
  await pupil.post(`/api/door/${n3.link.code}/enter`, {});
  await host.post(`/api/links/${n3.link.id}/let-all-in`);
  await pupil.post(`/api/door/${n3.link.code}/enter`, {});
  return arrived('Ansel Grue');
}

/** Has the course site answer nothing until `goOn` is called. */
function hang(): void {
  const { glen } = school.running;
  const answers = new Promise<void>((resolve) => {
    goOn = resolve;
  });
  const site = glen.courseSite!;
  glen.courseSite = new Proxy(site, {
    get: (asked, name) => {
      const part: unknown = Reflect.get(asked, name);
      if (typeof part !== 'function') return part;
      return async (...given: unknown[]): Promise<unknown> => {
        await answers;
        return Reflect.apply(part, asked, given) as unknown;
      };
    },
  });
}

const post = (words: string) =>
  host.post(`/api/classes/${n3.id}/posts`, { words, linkWords: 'Join', timing: 'now' });

describe('a course site', () => {
  it('that hangs holds nobody in the room: putting out goes on beside it', async () => {
    const pupil = await pupilInside();
    hang();
    for (let i = 0; i < 4; i++) await post(`Hanging ${i}`);
    await until(
      () => jobs('placement'),
      (all) => all.filter((job) => job.state === 'running').length >= 3,
    );
    await host.post(`/api/visitors/${pupil}/put-out`);
    await until(
      () => jobs('put-out'),
      (all) => all.length === 0,
    );
    const hanging = await jobs('placement');
    expect(hanging.filter((job) => job.state === 'running').length).toBeGreaterThanOrEqual(3);
    goOn();
    await until(
      () => jobs('placement'),
      (all) => all.length === 0,
    );
  });

  it('that is away is left alone, and everything goes out once it is back', async () => {
    await school.courseSiteTrouble('down');
    for (let i = 0; i < 6; i++) await post(`Away ${i}`);
    await until(
      () => jobs('placement'),
      (all) => all.filter((job) => job.last_error !== null).length >= 3,
    );
    await school.courseSiteTrouble('none');
    await until(
      () => jobs('placement'),
      (all) => all.length === 0,
    );
  });
});
