import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Answer, LinkDetail } from '@glen/contract';
import { studentName } from '../../../demo/school.js';
import { linkTools, none, type LinkTools } from './linkTools.js';
import { startSchool, until, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let of: LinkTools['of'],
  read: LinkTools['read'],
  make: LinkTools['make'],
  door: LinkTools['door'],
  openAndBeIn: LinkTools['openAndBeIn'],
  end: LinkTools['end'];
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  ({ of, read, make, door, openAndBeIn, end } = linkTools(school, host));
});
afterAll(() => school.stop());
beforeEach(() => school.setTime('10:31'));

describe('replacing a link', () => {
  const replace = (link: LinkDetail, body: object) =>
    host.post(`/api/links/${link.id}/replace`, { version: link.version, why: 'tidy-up', ...body });

  it('kept working and leading on, every old address finds the newest; stopped, it says where to look to its own audience', async () => {
    const first = await make('N3', { label: 'Old and new' });
    await host.put(`/api/links/${first.id}/audience`, {
      ...none,
      classIds: [of('N3').id],
      version: first.version,
    });
    const second = (await replace(await read(first.id), { how: 'keep' })).body as LinkDetail;
    const third = (await replace(second, { how: 'forward', until: '2026-10-20' }))
      .body as LinkDetail;
    expect(third.former.map((f) => [f.code, f.how])).toEqual([
      [second.code, 'forward'],
      [first.code, 'keep'],
    ]);
    const pupil = await school.as('Ansel Grue');
    for (const code of [first.code, second.code])
      expect(await door(pupil, code)).toMatchObject({
        linkId: first.id,
        code: third.code,
        came: { by: 'replaced' },
      });
    expect((await door(pupil, third.code)).came).toBeNull();
    await school.setTime('00:10', '2026-10-21');
    const stopped = await door(pupil, second.code);
    expect([stopped.decision.reason, stopped.elsewhere]).toEqual([
      'link-retired',
      { why: 'stopped', code: third.code, title: 'Coastal Navigation, period 3' },
    ]);
    expect((await door(pupil, first.code)).decision.reason).not.toBe('link-retired');
    // Not to others, whoever they are.
    for (const who of [
      await school.as(studentName(60)),
      await school.as(null),
      await school.as('Hedda Grue', 'personal'),
      await school.as('Bram Osterholt'),
    ]) {
      const seen = await door(who, second.code);
      expect([seen.decision.reason, seen.elsewhere]).toEqual(['link-retired', null]);
      const how = (await who.get(`/api/door/${second.code}/how`)).body;
      expect(JSON.stringify([seen, how])).not.toContain(third.code);
    }
    expect((await pupil.post(`/api/door/${second.code}/enter`)).body).toMatchObject({
      decision: { reason: 'link-retired' },
      go: null,
    });
  });

  it('a date that is past, or none, is said beside its field', async () => {
    const link = await make('N3', {});
    expect((await replace(link, { how: 'forward', until: '2026-10-13' })).body.errors[0].path).toBe(
      'until',
    );
    expect((await replace(link, { how: 'forward' })).body.errors[0].path).toBe('until');
    expect((await replace(link, { how: 'stop', until: '2026-10-20' })).body.errors[0].path).toBe(
      'until',
    );
    expect((await read(link.id)).code).toBe(link.code);
  });

  it('can be taken back while nobody has come by the new one, and not after', async () => {
    const link = await make('N3', { label: 'Taken back' });
    const replaced = (await replace(link, { how: 'stop' })).body as LinkDetail;
    expect(replaced.mayTakeBack).toBe(true);
    const back = (await host.post(`/api/links/${link.id}/take-back`, { version: replaced.version }))
      .body as LinkDetail;
    expect([back.code, back.former]).toEqual([link.code, []]);
    expect((await host.get(`/api/door/${replaced.code}`)).status).toBe(404);
    await school.setTime('10:32');
    const again = (await replace(back, { how: 'stop' })).body as LinkDetail;
    await school.setTime('10:33');
    await openAndBeIn(link.id);
    const late = await host.post(`/api/links/${link.id}/take-back`, { version: again.version });
    expect([late.status, (await read(link.id)).code]).toEqual([409, again.code]);
    await end(link.id);
  });

  it('while a session runs those inside stay, the desk says so, and what Glen has posted says the new address', async () => {
    await school.setTime('10:46');
    const main = await read(of('N3').link.id);
    await openAndBeIn(main.id);
    const replaced = (await replace(main, { how: 'stop', why: 'leaked' })).body as LinkDetail;
    const desk = (await host.get(`/api/links/${main.id}/desk`)).body as Answer<'desk'>;
    expect([desk.hostInside, desk.inside.length, desk.link.code]).toEqual([true, 1, replaced.code]);
    expect(desk.replacedAt! >= desk.session!.opens).toBe(true);
    const posted = async (): Promise<string> =>
      await (
        await fetch(`${school.courseSite}/api/classes/nav-3/stream`, {
          headers: { Authorization: `Bearer ${school.running.glen.config.courseSite!.token}` },
        })
      ).text();
    await until(posted, (text) => text.includes(replaced.code) && !text.includes(main.code));
    await end(main.id);
    expect(
      (await host.get('/api/classes')).body.classes.find(
        (c: { id: number }) => c.id === of('N3').id,
      ).link.code,
    ).toBe(replaced.code);
  });

  it('stopping the last link of a class period leaves it without a way in, and the page says so', async () => {
    const main = await read(of('W2').link.id);
    const stopped = (await host.post(`/api/links/${main.id}/stop`, { version: main.version }))
      .body as LinkDetail;
    expect((await host.get(`/api/classes/${of('W2').id}`)).body.class.link).toMatchObject({
      id: main.id,
      state: 'retired',
    });
    expect((await door(host, main.code)).decision.reason).toBe('link-retired');
    expect((await host.post(`/api/links/${main.id}/open`)).status).toBe(409);
    // A new one takes its place, and the old one sends its audience there.
    const fresh = await make('W2', { label: 'Lessons anew' });
    expect((await host.get(`/api/classes/${of('W2').id}`)).body.class.link).toMatchObject({
      id: fresh.id,
      state: 'live',
    });
    const { roll } = (await host.get(`/api/classes/${of('W2').id}`)).body as Answer<'classPeriod'>;
    expect((await door(await school.as(roll[0]!.name), main.code)).elsewhere).toMatchObject({
      code: fresh.code,
    });
    await host.post(`/api/links/${fresh.id}/stop`, { version: fresh.version });
    expect(
      (await host.post(`/api/links/${main.id}/reopen`, { version: stopped.version })).body.state,
    ).toBe('live');
  });
});
