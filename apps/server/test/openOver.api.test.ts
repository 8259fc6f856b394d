import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { OVER_ANOTHER, type ClassItem } from '@glen/contract';
import { moves, roomOf } from './roomTools.js';
import { startSchool, type Browser, type School } from './support.js';

// A door opened over another session's time says so first; running longer past the end counts from now.

let school: School;
let host: Browser;
let n6: ClassItem;
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  n6 = school.classes.get('N6')!;
});
afterAll(() => school.stop());

const open = (letters: string, body: object = {}) =>
  host.post(`/api/links/${school.classes.get(letters)!.link.id}/open`, body);

describe('opening a door', () => {
  it('before its time, while another session is on, says which first', async () => {
    await school.setTime('14:05');
    const { status, body } = await open('N6');
    expect({ status, ...body }).toMatchObject({
      status: 409,
      type: OVER_ANOTHER,
      title: expect.stringMatching(
        /^(Ropework|Rigging survey).* is from 1\d:\d\d to 14:\d\d, at the same time\.$/,
      ) as string,
    });
    const desk = await host.get(`/api/links/${n6.link.id}/desk`);
    expect(desk.body).toMatchObject({ door: 'shut' });
  });

  it('is done all the same by who wishes it, and asks no more once it is open', async () => {
    await school.setTime('14:05');
    expect((await open('N6', { anyway: true })).status).toBe(200);
    expect((await open('N6')).status).toBe(200);
  });

  it('in its own time says nothing: the day’s margin has said it', async () => {
    await school.setTime('14:04');
    expect((await open('R5')).status).toBe(200);
  });

  it('where nothing else is on says nothing', async () => {
    await school.setTime('16:30');
    expect((await open('W2')).status).toBe(200);
  });
});

describe('running longer', () => {
  it('past the end counts from now', async () => {
    await school.setTime('10:46');
    const { id } = school.classes.get('N3')!.link;
    const { go } = (await open('N3')).body as { go: string };
    await moves(school, { room: roomOf(go), type: 'arrived', name: 'Ottoline Marsh' });
    // The lesson was to end at 11:35, 14:35 in UTC.
    await school.setTime('11:45');
    const { end } = (await host.post(`/api/links/${id}/extend`, { minutes: 10 })).body as {
      end: string;
    };
    expect(['2026-10-14T14:55:00Z', '2026-10-14T14:56:00Z']).toContain(end);
  });
});
