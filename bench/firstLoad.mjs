import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { launchBrowser } from '../scripts/browser.mjs';
import { root } from '../scripts/build.mjs';
import { withDemo } from './demo.mjs';

const MOST_KILOBYTES = 200;

const gzippedKilobytes = (source) => gzipSync(source).length / 1000;

/** The paths of all scripts that are fetched from the sign-in until Today stands. */
async function scriptsUntilToday(url) {
  const browser = await launchBrowser();
  const fetched = new Set();
  const page = await (await browser.newContext()).newPage();
  page.on('request', (request) => {
    if (request.url().endsWith('.js')) fetched.add(new URL(request.url()).pathname);
  });
  await page.goto(url);
  await page.getByRole('button', { name: 'Sign in as Ottoline Marsh, school account' }).click();
  await page.getByRole('heading', { name: /Wednesday/ }).waitFor();
  await browser.close();
  return [...fetched];
}

/** React and its DOM alone, bundled as ours is. */
async function reactAlone() {
  const esbuild = await import('esbuild');
  const { outputFiles } = await esbuild.build({
    stdin: {
      contents:
        "import 'react'; import { createRoot } from 'react-dom/client'; createRoot(document.body);",
      resolveDir: root,
    },
    bundle: true,
    minify: true,
    write: false,
    define: { 'process.env.NODE_ENV': '"production"' },
  });
  return outputFiles[0].contents;
}

/** JavaScript that a browser fetches for the sign-in and the Today screen, gzipped; beside it React and its DOM alone. */
export const firstLoad = () =>
  withDemo(async (demo) => {
    const paths = await scriptsUntilToday(demo.publicUrl);
    const value = paths
      .map((path) => gzippedKilobytes(readFileSync(join(root, 'apps/web/dist', path))))
      .reduce((sum, size) => sum + size, 0);
    return {
      value,
      unit: 'kB',
      reference: gzippedKilobytes(await reactAlone()),
      target: `≤ ${MOST_KILOBYTES} kB`,
      ok: value <= MOST_KILOBYTES,
    };
  });
