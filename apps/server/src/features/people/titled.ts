import { classTitle } from '@glen/core';
import type { NamedClass } from './places.sql.js';

/** A class period as pages name it. */
export const titled = (c: NamedClass): { id: number; title: string } => ({
  id: c.id,
  title: classTitle(c),
});
