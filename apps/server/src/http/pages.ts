import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Glen } from '../glen.js';

/** The built pages, with what every one of them may do and load. */
export function mountPages(
  app: Express,
  { config }: Pick<Glen, 'config'>,
  webDir: string | undefined,
): void {
  const https = config.publicUrl.startsWith('https:');
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
          upgradeInsecureRequests: https ? [] : null,
        },
      },
      strictTransportSecurity: https,
      referrerPolicy: { policy: 'no-referrer' },
      crossOriginOpenerPolicy: { policy: 'same-origin' },
    }),
  );
  if (webDir && existsSync(join(webDir, 'index.html'))) {
    app.use(
      '/assets',
      express.static(join(webDir, 'assets'), {
        immutable: true,
        maxAge: '1y',
        index: false,
        fallthrough: false,
      }),
    );
    app.use(express.static(webDir, { index: false, maxAge: 0 }));
    app.get('/{*path}', (_req, res) =>
      res.set('Cache-Control', 'no-cache').sendFile(join(webDir, 'index.html')),
    );
  }
}
