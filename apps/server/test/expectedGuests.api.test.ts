import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { moves, roomOf } from './roomTools.js';
import { startSchool, type Browser, type School } from './support.js';

// Guests whom a host expects, and who of them has come, at the desk.

let school: School;
let host: Browser;
let link: { id: number; code: string };
const IDA = 'ida@home.example';

beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  link = school.classes.get('N3')!.link;
});
afterEach(() => school.stop());

const invite = (text: string, comes: string) =>
  host.post(`/api/links/${link.id}/guests`, { text, comes });
const guests = async (): Promise<Answer<'desk'>['guests']> =>
  (await host.get(`/api/links/${link.id}/desk`)).body.guests;

/** Comes in by the one-time address that the host passes on. */
async function comeAs(email: string, name: string): Promise<Browser> {
  const { address } = (await host.post(`/api/links/${link.id}/guest-address`, { email }))
    .body as Answer<'guestAddress'>;
  const guest = await school.as(null);
  await guest.post(`/api/guest/${address!.split('/').at(-1)!}`, { name });
  return guest;
}

describe('guests who are expected', () => {
  it('are nobody where nobody is invited', async () => {
    expect(await guests()).toBeNull();
  });

  it('are counted by what they said, and are missing until they have come', async () => {
    await invite(`Ida Quill <${IDA}>`, 'inside');
    await invite('Jon Vane <jon@home.example>', 'speaker');
    await invite('Kit Orme <kit@home.example>', 'watcher');
    expect(await guests()).toEqual({
      expected: 2,
      came: 0,
      missing: [
        { name: 'Ida Quill', speaks: false, hasSaidYes: false },
        { name: 'Jon Vane', speaks: true, hasSaidYes: false },
      ],
    });
    const { go } = (await host.post(`/api/links/${link.id}/open`, { anyway: true })).body;
    const room = roomOf(go);
    await moves(school, { room, type: 'arrived', name: 'Ottoline Marsh' });
    const ida = await comeAs(IDA, 'Ida Quill');
    await ida.post(`/api/door/${link.code}/enter`, {});
    expect((await guests())!.came).toBe(0);
    const { waiting } = (await host.get(`/api/links/${link.id}/desk`)).body as Answer<'desk'>;
    await host.post(`/api/visitors/${waiting[0]!.id}/let-in`);
    await moves(school, { room, type: 'arrived', name: 'Ida Quill' });
    expect(await guests()).toMatchObject({ came: 1, missing: [{ name: 'Jon Vane' }] });
  });
});
