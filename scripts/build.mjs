// Builds what `up` and `serve` run: one file for each process, and the pages.
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
const SOURCES = ['packages', 'apps', 'demo', 'scripts/build.mjs', 'package-lock.json'];
const SKIP = new Set(['node_modules', 'dist', 'test']);

function* files(path) {
  const entry = readdirSync(path, { withFileTypes: true });
  for (const item of entry.sort((a, b) => (a.name < b.name ? -1 : 1))) {
    if (SKIP.has(item.name)) continue;
    const full = join(path, item.name);
    if (item.isDirectory()) yield* files(full);
    else yield full;
  }
}

function sourceHash() {
  const hash = createHash('sha256');
  for (const source of SOURCES) {
    const path = join(root, source);
    const all = /\.\w+$/.test(source) ? [path] : [...files(path)];
    for (const file of all) hash.update(file.slice(root.length)).update(readFileSync(file));
  }
  return hash.digest('hex');
}

/** The pages as they are shipped, whoever has them built: a test runner, too, which says in NODE_ENV that it is testing. */
async function buildPages() {
  const before = process.env.NODE_ENV;
  process.env.NODE_ENV = 'production';
  try {
    const vite = await import('vite');
    await vite.build({ root: join(root, 'apps/web'), logLevel: 'warn' });
  } finally {
    if (before === undefined) delete process.env.NODE_ENV;
    else process.env.NODE_ENV = before;
  }
}

/** Builds unless the last build was of the same sources. Gives whether it did. */
export async function build({ force = false } = {}) {
  const stamp = join(root, '.glen', 'built');
  const hash = sourceHash();
  const complete = [
    'apps/server/dist/main.js',
    'apps/server/dist/database.js',
    'apps/server/dist/demo.js',
    'apps/server/dist/demoStart.js',
    'apps/standins/dist/main.js',
    'apps/standins/dist/start.js',
    'apps/web/dist/index.html',
  ].every((f) => existsSync(join(root, f)));
  if (!force && complete && existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return false;

  const esbuild = await import('esbuild');
  const bundle = (entryPoints, outdir) =>
    esbuild.build({
      absWorkingDir: root,
      entryPoints,
      outdir,
      bundle: true,
      platform: 'node',
      format: 'esm',
      target: 'node20',
      sourcemap: 'linked',
      logLevel: 'error',
      plugins: [
        {
          // Our own packages go in; everything from the registry stays outside.
          name: 'ours-inside',
          setup: (b) =>
            b.onResolve({ filter: /^[^./]/ }, ({ path }) =>
              path.startsWith('@glen/') || path.startsWith('/')
                ? undefined
                : { path, external: true },
            ),
        },
      ],
    });
  await Promise.all([
    bundle(
      {
        main: 'apps/server/src/main.ts',
        database: 'apps/server/src/database.ts',
        demo: 'demo/main.ts',
        demoStart: 'demo/start.ts',
      },
      'apps/server/dist',
    ),
    bundle(
      { main: 'apps/standins/src/main.ts', start: 'apps/standins/src/startFrom.ts' },
      'apps/standins/dist',
    ),
  ]);
  await buildPages();
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, hash);
  return true;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await build({ force: true });
