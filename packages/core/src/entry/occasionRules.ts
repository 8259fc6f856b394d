import { PRESETS } from './presets.js';
import type { EntryRules } from './rules.js';

/** Who comes to an occasion that is no class: those named, whoever knocks and is let in, or everybody. */
export const OCCASION_COMES = ['named', 'knock', 'open'] as const;
export type OccasionComes = (typeof OCCASION_COMES)[number];

const RULES: Record<OccasionComes, Partial<EntryRules>> = {
  named: { whoMayEnter: 'roll' },
  knock: { whoMayEnter: 'anyone', straightIn: 'hosts' },
  open: PRESETS.evening.rules,
};

/** The entry rules that an occasion begins with. */
export const occasionRules = (comes: OccasionComes): Partial<EntryRules> => RULES[comes];
