import type { Answer } from '@glen/contract';

/** A class period with its people and its sessions, as its page has it. */
export type ClassPeriod = Answer<'classPeriod'>;
