import { doorPath, watchPath } from '@glen/core';
import type { Glen } from './glen.js';

/** The full address of a join link, as people copy it. */
export const linkAddress = (glen: Pick<Glen, 'config'>, code: string): string =>
  `${glen.config.publicUrl}${doorPath(code)}`;

/** The full address at which a link can be watched. */
export const watchAddress = (glen: Pick<Glen, 'config'>, code: string): string =>
  `${glen.config.publicUrl}${watchPath(code)}`;

/** Where slots are taken of the sessions at a link. */
export const signUpAddress = (glen: Pick<Glen, 'config'>, code: string): string =>
  `${glen.config.publicUrl}/sign-up/${code}`;
