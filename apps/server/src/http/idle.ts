import type { Clock } from '../clock.js';

/** A session that nobody uses for so long is over. OWASP ASVS 5, chapter 7 (from memory) asks for such an end, and for a longest time. */
const IDLE_DAYS = 14;
const DAY_SECONDS = 86400;

/** Sessions that were used last before this instant of machine time are over. */
export const idleSince = (clock: Clock): string => clock.machine(-IDLE_DAYS * DAY_SECONDS);
