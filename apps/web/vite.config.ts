import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

/** What an endpoint does, and who may, is the server's business alone: without it a first load is some kilobytes lighter. */
const withoutWords: Plugin = {
  name: 'endpoints-without-words',
  // As they are written, an endpoint a line.
  enforce: 'pre',
  transform: (code, id) =>
    id.endsWith('/contract/src/endpoints.ts')
      ? {
          code: code
            // What no browser asks.
            .replace(/^ {2}\w+: \{.*who: 'service'.*\n/gm, '')
            .replace(
              /, (?:does|who|of|atRest|lasting|confirms): (?:'[^'\n]*'|"[^"\n]*"|true)/g,
              '',
            ),
          map: null,
        }
      : undefined,
};

export default defineConfig({
  plugins: [withoutWords, react(), tailwindcss()],
  // Each page is sent with a nonce of its own in this word's place.
  html: { cspNonce: 'NONCE_OF_THIS_PAGE' },
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 900,
    // A sentence stands where it is said: a page does not bring along what its feature says on others.
    rolldownOptions: { optimization: { inlineConst: { mode: 'all', pass: 1 } } },
  },
});
