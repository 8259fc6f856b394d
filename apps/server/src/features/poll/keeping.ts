import { plusMinutes } from '@glen/core';

/** So long after it closes what was offered, and who was asked, is kept. */
export const KEPT_DAYS = 14;

/** When it is forgotten. */
export const forgottenAt = ({ closes_at: closes }: { closes_at: string }): string =>
  plusMinutes(closes, KEPT_DAYS * 1440);
