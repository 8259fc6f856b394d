import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startEmpty, type EmptyGlen } from './emptySchool.js';

let glen: EmptyGlen;

beforeAll(async () => {
  glen = await startEmpty();
});
afterAll(() => glen.stop());

const signIn = (body: string) =>
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

  it('is refused in an address, too', async () => {
    expect((await fetch(`${glen.url}/api/door/heron%00`)).status).toBe(400);
  });

  it('is looked for in a body of any depth', async () => {
    const deep = `${'['.repeat(200000)}${']'.repeat(200000)}`;
    expect((await signIn(deep)).status).toBe(422);
  });
});
