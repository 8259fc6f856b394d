import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startEmpty, type EmptyGlen } from './emptySchool.js';

// What is answered outside the API: pages, what belongs to them, and plain words for what is not there.

const PAGE =
  '<!doctype html><meta property="csp-nonce" nonce="NONCE_OF_THIS_PAGE" /><title>Glen</title>';

let glen: EmptyGlen;
let webDir: string;
beforeAll(async () => {
  webDir = mkdtempSync(join(tmpdir(), 'glen-pages-'));
  mkdirSync(join(webDir, 'assets'));
  writeFileSync(join(webDir, 'index.html'), PAGE);
  writeFileSync(join(webDir, 'assets', 'main.js'), 'export {};');
  glen = await startEmpty({}, { webDir });
});
afterAll(async () => {
  await glen.stop();
  rmSync(webDir, { recursive: true, force: true });
});

interface Answer {
  status: number;
  type: string | undefined;
  headers: NodeJS.Dict<string | string[]>;
  text: string;
}

/** Asks for a path as it stands: nothing is tidied on the way. */
const ask = (path: string, method = 'GET'): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const asked = request(glen.url, { path, method }, (res) => {
      let text = '';
      res.setEncoding('utf8');
      res.on('data', (part: string) => (text += part));
      res.on('end', () =>
        resolve({
          status: res.statusCode!,
          type: res.headers['content-type'],
          headers: res.headers,
          text,
        }),
      );
    });
    asked.on('error', reject);
    asked.end();
  });

describe('outside the API', () => {
  it('pages and what belongs to them are there', async () => {
    expect((await ask('/door/heron-1234')).text).toMatch(/<title>Glen<\/title>$/);
    expect((await ask('/assets/main.js')).status).toBe(200);
  });

  it('pages say what they may load and do', async () => {
    const { headers } = await ask('/door/heron-1234');
    expect(headers['permissions-policy']).toBe(
      'camera=(self), microphone=(self), ' +
        ['accelerometer', 'bluetooth', 'display-capture', 'geolocation', 'gyroscope', 'hid']
          .concat(['magnetometer', 'midi', 'payment', 'serial', 'usb'])
          .map((power) => `${power}=()`)
          .join(', '),
    );
    const policy = String(headers['content-security-policy']);
    expect(policy).toContain("script-src 'self';");
    expect(policy).toContain("style-src-attr 'none'");
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy).not.toContain('unsafe');
  });

  it('a page and its policy share a nonce that no other page has', async () => {
    const pages = [await ask('/door/heron-1234'), await ask('/index.html')];
    const nonces = pages.map(({ text, headers }) => {
      const [, nonce] = /nonce="([^"]+)"/.exec(text)!;
      expect(String(headers['content-security-policy'])).toContain(`'nonce-${nonce}'`);
      expect(headers['cache-control']).toBe('no-store');
      return nonce;
    });
    expect(new Set(nonces).size).toBe(2);
  });

  it.each([
    ['an asset that is gone', '/assets/main-of-yesterday.js', 404],
    ['an asset’s folder', '/assets/', 404],
    ['a way out of the folder', '/assets/..%2f..%2f..%2fetc%2fpasswd', 403],
    ['an escape that is none', '/door/%E0', 400],
    ['an asset by an escape that is none', '/assets/%E0%A4', 400],
    ['an escape that is cut off', '/door/%', 400],
    ['a NUL', '/door/a%00b', 400],
  ])('%s is answered in plain words', async (_what, path, status) => {
    const answer = await ask(path);
    expect(answer.status).toBe(status);
    expect(answer.type).toBe('text/plain; charset=utf-8');
    expect(answer.text).toMatch(/^[A-Z][^<>\n]{10,80}\.$/);
    expect(answer.headers).toMatchObject({
      'x-content-type-options': 'nosniff',
      'referrer-policy': 'no-referrer',
    });
  });

  it('what a page does not take is refused in plain words, too', async () => {
    const answer = await ask('/door/heron-1234', 'POST');
    expect([answer.status, answer.type]).toEqual([404, 'text/plain; charset=utf-8']);
  });
});
