import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startEmpty, type EmptyGlen } from './emptySchool.js';

let glen: EmptyGlen;

beforeAll(async () => {
  glen = await startEmpty();
});
afterAll(() => glen.stop());

const signIn = (body: string | Buffer<ArrayBuffer>) =>
  fetch(`${glen.url}/api/sign-in`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Origin: glen.url },
    body,
  });

describe('what is no text', () => {
  it.each([
    ['half a character', '{"email":"a\\ud83db","password":"x"}'],
    ['a NUL', '{"email":"a\\u0000b","password":"x"}'],
    ['half a character deep within', '{"email":"a","password":"x","more":[{"deep":["\\udc00"]}]}'],
  ])('is refused before anybody reads it: %s', async (_what, body) => {
    const answer = await signIn(body);
    expect(answer.status).toBe(400);
    expect(await answer.json()).toMatchObject({
      title: 'This request holds characters that are no text.',
    });
  });

  it('is refused as the name of something, too', async () => {
    expect((await signIn('{"email":"a","password":"x","a\\u0000b":"c"}')).status).toBe(400);
  });

  it.each([
    ['half a character', [0xed, 0xa0, 0xbd]],
    ['a byte that begins none', [0xff]],
    ['a character that is cut off', [0xe2, 0x82]],
  ])('is refused where it is no UTF-8: %s', async (_what, bytes) => {
    const body = Buffer.concat([
      Buffer.from('{"email":"a'),
      Buffer.from(bytes),
      Buffer.from('","password":"x"}'),
    ]);
    expect((await signIn(body)).status).toBe(400);
    const escaped = bytes.map((byte) => `%${byte.toString(16)}`).join('');
    for (const path of [`/api/door/heron${escaped}`, `/api/find?q=${escaped}`]) {
      const answer = await fetch(`${glen.url}${path}`);
      expect(answer.status, path).toBe(400);
      expect(await answer.json()).toMatchObject({ status: 400 });
    }
  });

  it('is refused in an address, too', async () => {
    for (const path of ['/api/door/heron%00', '/api/find?q=%00', '/api/find?a%00=b'])
      expect((await fetch(`${glen.url}${path}`)).status, path).toBe(400);
  });

  it('is looked for in a body of any depth', async () => {
    const deep = `${'['.repeat(200000)}${']'.repeat(200000)}`;
    expect((await signIn(deep)).status).toBe(422);
  });
});
