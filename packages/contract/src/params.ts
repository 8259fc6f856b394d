import { z } from 'zod';
import { idParam, version } from './basics.js';

export const ofClass = z.object({ classId: idParam });
export const ofSeries = z.object({ seriesId: idParam });
export const ofPost = z.object({ postId: idParam });
export const ofPlacement = z.object({ placementId: idParam });
export const ofLink = z.object({ linkId: idParam });
export const ofVisitor = z.object({ visitorId: idParam });
export const byCode = z.object({ code: z.string().max(80) });
export const readVersion = z.object({ version });
