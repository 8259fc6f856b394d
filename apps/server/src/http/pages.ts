import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express, type NextFunction, type Request, type Response } from 'express';
import helmet from 'helmet';
import type { Glen } from '../glen.js';

/** What no page of Glen ever asks a browser for: rooms that do are of another origin. */
const NEVER_ASKED = [
  'accelerometer',
  'bluetooth',
  'camera',
  'display-capture',
  'geolocation',
  'gyroscope',
  'hid',
  'magnetometer',
  'microphone',
  'midi',
  'payment',
  'serial',
  'usb',
];
const PERMISSIONS = NEVER_ASKED.map((feature) => `${feature}=()`).join(', ');

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
          // Libraries write style elements of their own; no style comes as an attribute of what is read as HTML.
          styleSrc: ["'self'", "'unsafe-inline'"],
          styleSrcAttr: ["'none'"],
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
  app.use((_req: Request, res: Response, next: NextFunction) => {
    res.set('Permissions-Policy', PERMISSIONS);
    next();
  });
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
