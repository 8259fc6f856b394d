import sanitizeHtml from 'sanitize-html';
import { z } from 'zod';
import type { Bodies, Kind } from './store.js';

const clean = (html: string): string =>
  sanitizeHtml(html, {
    allowedTags: ['p', 'br', 'a', 'b', 'strong', 'i', 'em', 'ul', 'ol', 'li'],
    allowedAttributes: {
      a: ['href', 'target', 'rel'],
      p: ['dir'],
      ul: ['dir'],
      ol: ['dir'],
    },
    allowedSchemes: ['http', 'https'],
  });
const html = z.string().max(1_000_000).transform(clean);
const address = z.url({ protocol: /^https?$/ }).nullable();
const title = z.string().max(300);
const position = z.number().int().min(0);
const utcInstant = z.iso.datetime();
const shown = {
  readers: z.array(z.string().max(254)).max(5000).nullable().default(null),
  struck: z.boolean().default(false),
};

/** What each kind of thing is made of, and the word for it in addresses. */
export const SHAPES: { [K in Kind]: { path: string; body: z.ZodType<Bodies[K]> } } = {
  post: { path: 'stream', body: z.object({ html, pinned: z.boolean().default(false), ...shown }) },
  section: { path: 'sections', body: z.object({ title, position }) },
  item: {
    path: 'items',
    body: z.object({
      section: z.string().max(80),
      position,
      title,
      html,
      address,
      newTab: z.boolean(),
      ...shown,
    }),
  },
  event: {
    path: 'calendar',
    body: z.object({ title, start: utcInstant, end: utcInstant, html, address, ...shown }),
  },
};
