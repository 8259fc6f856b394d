import { describe, expect, it } from 'vitest';
import { DEFAULT_PORT, whereToListen } from '../serve.mjs';

describe('where ./glen serve listens', () => {
  it('on loopback where nothing is said', () => {
    expect(whereToListen({}, {})).toEqual({
      GLEN_PORT: String(DEFAULT_PORT),
      GLEN_HOST: '127.0.0.1',
      GLEN_PUBLIC_URL: `http://127.0.0.1:${DEFAULT_PORT}`,
    });
  });

  it('as the command says, before what the environment says', () => {
    const env = { GLEN_PORT: '8080', GLEN_HOST: '10.0.0.5', GLEN_PUBLIC_URL: 'https://a.example' };
    expect(whereToListen({}, env)).toEqual(env);
    expect(whereToListen({ port: '9000', url: 'https://b.example' }, env)).toMatchObject({
      GLEN_PORT: '9000',
      GLEN_PUBLIC_URL: 'https://b.example',
    });
  });

  it('in the whole network with --host, by an address that others can type', () => {
    const { GLEN_HOST, GLEN_PUBLIC_URL } = whereToListen({ host: true }, {});
    expect(GLEN_HOST).toBe('0.0.0.0');
    expect(GLEN_PUBLIC_URL).toMatch(
      new RegExp(`^http://\\d+\\.\\d+\\.\\d+\\.\\d+:${DEFAULT_PORT}$`),
    );
  });
});
