import type { Glen } from '../glen.js';

/** What every answer of the API says of itself: it is no page, nobody's to frame or keep, and of the type that it names. */
export function answerHeaders({ config }: Pick<Glen, 'config'>): Record<string, string> {
  const isHttps = config.publicUrl.startsWith('https:');
  return {
    'Cache-Control': 'no-store',
    'Content-Security-Policy': "default-src 'none'; frame-ancestors 'none'",
    'Cross-Origin-Resource-Policy': 'same-origin',
    'Referrer-Policy': 'no-referrer',
    'X-Content-Type-Options': 'nosniff',
    ...(isHttps ? { 'Strict-Transport-Security': 'max-age=31536000; includeSubDomains' } : {}),
  };
}
