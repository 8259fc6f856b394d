import { z } from 'zod';
import { cleanName } from '@glen/core';

// Words and small things that many schemas are made of.

export const id = z.int().positive();
export const idParam = z.coerce.number().int().positive();
export const date = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'Give a date.');
export const time = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'Give a time such as 14:05.');
export const utcInstant = z.string().regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}Z$/);
export const version = z.int().positive();
export const text = (most: number) => z.string().max(most, `At most ${most} characters.`);
/** What something is called: one line, without what cannot be seen. */
export const line = (most: number) => text(most).overwrite(cleanName);
export const done = z.object({ ok: z.literal(true) });
