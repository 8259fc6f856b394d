import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { ansel, classTools } from './classTools.js';
import { moveIn, startEmpty, type EmptyGlen } from './emptySchool.js';
import type { Browser } from './support.js';

let glen: EmptyGlen;
let ines: Browser;

beforeEach(async () => {
  glen = await startEmpty();
  ines = await moveIn(glen);
});
afterEach(() => glen.stop());

const { make, add, rollOf } = classTools(() => ines);

describe('the roll', () => {
  it('takes people by name and address, and the same ones only once', async () => {
    const { id } = await make();
    expect((await add(id, [ansel, ansel])).body).toMatchObject({ rollSize: 1 });
    expect((await add(id, [ansel])).body).toEqual({
      rollSize: 1,
      personIds: [],
      isClosed: false,
    });
    expect(await rollOf(id)).toMatchObject([
      { name: 'Ansel Grue', accounts: [{ email: 'a.grue@harbour.example', kind: 'school' }] },
    ]);
  });

  it('knows somebody of another class period by their address', async () => {
    const [first, second] = [await make(), await make()];
    await add(first.id, [ansel]);
    await add(second.id, [{ name: 'A. Grue', email: 'a.grue@harbour.example' }]);
    expect((await rollOf(second.id))[0]!.id).toBe((await rollOf(first.id))[0]!.id);
  });

  it('says line by line what a pasted list would do, and writes nothing', async () => {
    const { id } = await make();
    await add(id, [ansel]);
    const text = 'Ansel Grue <a.grue@harbour.example>\nBirgit Tideman <b@harbour.example>\nNobody';
    const { body } = await ines.post(`/api/classes/${id}/roll/preview`, { text });
    expect(body.lines.map((l: { what: string }) => l.what)).toEqual(['there', 'make', 'doubt']);
    expect(await rollOf(id)).toHaveLength(1);
  });

  it('takes people off and puts them back', async () => {
    const { id } = await make();
    await add(id, [ansel]);
    const [person] = await rollOf(id);
    const off = await ines.post(`/api/classes/${id}/roll/take-off`, { personIds: [person!.id] });
    expect(off.body.rollSize).toBe(0);
    expect((await add(id, [{ personId: person!.id }])).body.rollSize).toBe(1);
  });

  it('has nobody on it who teaches here', async () => {
    const { id } = await make();
    const { status, body } = await add(id, [{ name: 'Ines', email: 'ines@harbour.example' }]);
    expect({ status, path: body.errors[0].path }).toEqual({ status: 422, path: 'people.0' });
  });

  it('takes 1,500 at once', async () => {
    const { id } = await make();
    const people = Array.from({ length: 1500 }, (_, i) => ({
      name: `Student ${i}`,
      email: `s${i}@harbour.example`,
    }));
    expect((await add(id, people)).body.rollSize).toBe(1500);
  });
});

describe('until the roll is filled', () => {
  const whoMayEnter = async (id: number) => {
    const { layers } = (await ines.get(`/api/classes/${id}/rules`)).body as Answer<'rules'>;
    return layers.at(-1)!.rules.whoMayEnter;
  };
  const knock = (id: number, on = true) => ines.put(`/api/classes/${id}/knock-until-roll`, { on });

  it('anyone knocks where its maker wishes, and from the first student on the roll says who gets in', async () => {
    const { id } = await make({ anyoneKnocks: true });
    expect(await whoMayEnter(id)).toBe('anyone');
    expect((await add(id, [ansel])).body.isClosed).toBe(true);
    expect(await whoMayEnter(id)).toBeUndefined();
    const berit = { name: 'Berit Lien', email: 'b.lien@harbour.example' };
    expect((await add(id, [berit])).body.isClosed).toBe(false);
  });

  it('can be asked for later, and taken back', async () => {
    const { id, link } = await make();
    const { body } = await ines.get(`/api/links/${link.id}/invitation`);
    expect(body).toMatchObject({ rollSize: 0, rules: { whoMayEnter: 'roll' } });
    await knock(id);
    expect(await whoMayEnter(id)).toBe('anyone');
    await knock(id, false);
    expect(await whoMayEnter(id)).toBeUndefined();
  });

  it('leaves what was set otherwise meanwhile', async () => {
    const { id } = await make({ anyoneKnocks: true });
    const { version } = (await ines.get(`/api/classes/${id}/rules`)).body;
    const rules = { whoMayEnter: 'school', straightIn: 'hosts', arriveMuted: false };
    await ines.put(`/api/classes/${id}/rules`, { version, rules });
    await add(id, [ansel]);
    expect(await whoMayEnter(id)).toBe('school');
  });

  it('is refused once there is a roll, and where the school has fixed who may enter', async () => {
    const { id } = await make();
    const school = (await ines.get('/api/school/rules')).body as Answer<'schoolRules'>;
    await ines.put('/api/school/rules', {
      version: school.version,
      rules: school.layers[0]!.rules,
      locked: ['whoMayEnter'],
    });
    const fixed = await knock(id);
    expect([fixed.status, fixed.body.title]).toEqual([
      409,
      'The school has fixed who may enter for every class period.',
    ]);
    expect(await whoMayEnter(id)).toBeUndefined();
    await add(id, [ansel]);
    expect((await knock(id)).status).toBe(409);
  });
});

describe('a password that its owner sets', () => {
  it('is set once, by an address that dies with it', async () => {
    const { id } = await make();
    await add(id, [ansel]);
    const [person] = await rollOf(id);
    const ask = async () =>
      (await ines.post(`/api/classes/${id}/password-addresses`, { personIds: [person!.id] })).body
        .addresses as Answer<'passwordAddresses'>['addresses'];
    const token = (await ask())[0]!.address.split('/').at(-1)!;
    const newer = (await ask())[0]!.address.split('/').at(-1)!;
    const nobody = glen.browser();
    expect((await nobody.get(`/api/password/${token}`)).status).toBe(404);
    expect((await nobody.get(`/api/password/${newer}`)).body).toEqual({
      name: 'Ansel Grue',
      email: 'a.grue@harbour.example',
      school: 'Harbour Street Evening School',
    });
    const short = await nobody.post(`/api/password/${newer}`, { password: 'short' });
    expect(short.body.errors[0].path).toBe('password');
    const set = await nobody.post(`/api/password/${newer}`, { password: 'a door of my own' });
    expect(set.body.person.name).toBe('Ansel Grue');
    expect((await glen.browser().get(`/api/password/${newer}`)).status).toBe(404);
    // Whoever has a password keeps it: no teacher can take the account over.
    expect(await ask()).toEqual([]);
  });

  it('is nothing that can be signed in with before it is set', async () => {
    const { id } = await make();
    await add(id, [ansel]);
    for (const password of ['', 'null', 'undefined']) {
      const { status } = await glen
        .browser()
        .post('/api/sign-in', { email: ansel.email, password });
      expect(status).toBe(422);
    }
  });

  it('is offered for those of one’s own roll alone', async () => {
    const [first, second] = [await make(), await make()];
    await add(first.id, [ansel]);
    const [person] = await rollOf(first.id);
    const { status } = await ines.post(`/api/classes/${second.id}/password-addresses`, {
      personIds: [person!.id],
    });
    expect(status).toBe(422);
  });
});
