import type { z } from 'zod';

/** What an endpoint takes in its path, query and body, and what it answers. */
export interface Shapes {
  params?: z.ZodObject;
  query?: z.ZodObject;
  body?: z.ZodType;
  answer: z.ZodType;
}
