import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { join } from 'node:path';
import express, { type Express, type NextFunction, type Request, type Response } from 'express';
import helmet from 'helmet';
import type { Glen } from '../glen.js';

/** What no page of Glen ever asks a browser for: rooms that do are of another origin. */
const NEVER_ASKED = [
  'accelerometer',
  'bluetooth',
  'display-capture',
  'geolocation',
  'gyroscope',
  'hid',
  'magnetometer',
  'midi',
  'payment',
  'serial',
  'usb',
];
/** Somebody tries them at the door; pages are one document, so that every one of them may. */
const TRIED_AT_THE_DOOR = ['camera', 'microphone'];
const PERMISSIONS = [
  ...TRIED_AT_THE_DOOR.map((feature) => `${feature}=(self)`),
  ...NEVER_ASKED.map((feature) => `${feature}=()`),
].join(', ');

/** What stands in the built page where its nonce comes (`html.cspNonce` in apps/web/vite.config.ts). */
const NONCE_PLACE = 'NONCE_OF_THIS_PAGE';

/** The one style element that comes without a nonce, the notices' own, by the digest of its text: empty at first, then whole. */
const STYLE_OF_NOTICES = [
  "'sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU='",
  "'sha256-StEaX+se6YS7pqjzrzMIA0KaX9zF/8zAhvQXZAe5epY='",
];

const nonceOf = (res: Response): string => String((res.locals as { nonce?: string }).nonce);

/** What pages may load, and from where (Content Security Policy, level 3). */
function pagePolicy(isHttps: boolean) {
  return {
    defaultSrc: ["'self'"],
    scriptSrc: ["'self'"],
    // Libraries write style elements of their own, with the page's nonce.
    styleSrc: [
      "'self'",
      (_req: IncomingMessage, res: ServerResponse) => `'nonce-${nonceOf(res as Response)}'`,
      ...STYLE_OF_NOTICES,
    ],
    styleSrcAttr: ["'none'"],
    imgSrc: ["'self'", 'data:'],
    fontSrc: ["'self'"],
    connectSrc: ["'self'"],
    objectSrc: ["'none'"],
    baseUri: ["'none'"],
    formAction: ["'self'"],
    frameAncestors: ["'none'"],
    upgradeInsecureRequests: isHttps ? [] : null,
  };
}

/** What every page says of itself. */
function mountPageHeaders(app: Express, isHttps: boolean): void {
  app.use((_req: Request, res: Response, next: NextFunction) => {
    res.locals['nonce'] = randomBytes(16).toString('base64');
    res.set('Permissions-Policy', PERMISSIONS);
    next();
  });
  app.use(
    helmet({
      contentSecurityPolicy: { directives: pagePolicy(isHttps) },
      strictTransportSecurity: isHttps,
      referrerPolicy: { policy: 'no-referrer' },
      crossOriginOpenerPolicy: { policy: 'same-origin' },
    }),
  );
}

/** The built pages, with what every one of them may do and load. */
export function mountPages(
  app: Express,
  { config }: Pick<Glen, 'config'>,
  webDir: string | undefined,
): void {
  mountPageHeaders(app, config.publicUrl.startsWith('https:'));
  const page = webDir && join(webDir, 'index.html');
  if (!page || !existsSync(page)) return;
  app.use(
    '/assets',
    express.static(join(webDir, 'assets'), {
      immutable: true,
      maxAge: '1y',
      index: false,
      fallthrough: false,
    }),
  );
  const parts = readFileSync(page, 'utf8').split(NONCE_PLACE);
  const sendPage = (_req: Request, res: Response): void => {
    // Kept nowhere: a page and the nonce in its headers belong together.
    res
      .set('Cache-Control', 'no-store')
      .type('html')
      .send(parts.join(nonceOf(res)));
  };
  app.get('/index.html', sendPage);
  app.use(express.static(webDir, { index: false, maxAge: 0 }));
  app.get('/{*path}', sendPage);
}
