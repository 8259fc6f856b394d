/** How a session is cut. */
export interface SlotPattern {
  /** How long each slot is, and how much time lies between two. */
  minutes: number;
  gap: number;
  /** After every so many slots lies a break of so many minutes instead; 0: there is none. */
  breakEvery: number;
  breakMinutes: number;
}

/** How a session is cut into slots that people sign up for. */
export interface SlotWays extends SlotPattern {
  /** So many may somebody have in a week, Monday to Sunday; 0: as many as they like. */
  most: number;
  /** From so many days before its day on may a slot be taken. */
  opensDays: number;
  /** Until so many minutes before it begins may it be taken. */
  closesMinutes: number;
  /** What becomes of whoever is in when somebody else's slot begins: their host asks them to leave, or they leave by themselves. */
  leaves: 'asked' | 'by-itself';
  /** After so many minutes without whoever has it a slot is offered to others; 0: never. */
  missedAfter: number;
}

/** What is usual where a host has said no more than that there are slots (common practice: a quarter of an hour each). */
export const USUAL_SLOTS: SlotWays = {
  minutes: 15,
  gap: 0,
  breakEvery: 0,
  breakMinutes: 0,
  most: 1,
  opensDays: 14,
  closesMinutes: 0,
  leaves: 'asked',
  missedAfter: 5,
};

/** Minutes before the end of a slot at which whoever is in hears that it ends. */
export const SLOT_WARNING_MINUTES = 2;
