import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, it } from 'vitest';

// The package of the notices writes one style element, without a nonce: pages take it by the digest of its text.

const policy = readFileSync(
  new URL('../../apps/server/src/http/pages.ts', import.meta.url),
  'utf8',
);

it('pages take the style element that the notices write, and know it by its text', () => {
  const built = readFileSync(createRequire(import.meta.url).resolve('sonner'), 'utf8');
  const written = [...built.matchAll(/__insertCSS\((".*")\)/g)];
  expect(written).toHaveLength(1);
  const style = JSON.parse(written[0]![1]!) as string;
  const digest = createHash('sha256').update(style).digest('base64');
  expect(policy).toContain(`'sha256-${digest}'`);
});
