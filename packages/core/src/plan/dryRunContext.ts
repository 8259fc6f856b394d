import type { SchoolCalendar } from '../calendar/school.js';
import type { KnownBooking } from '../clash/planClashes.js';
import type { SlotPattern } from '../slots/slotWays.js';

/** What a plan is tried against. */
export interface DryRunContext {
  school: SchoolCalendar;
  /** School time now, an instant. */
  now: string;
  /** The zone of whoever reads, for their own clock's time. */
  readerZone?: string;
  /** The code of the link it will use; null where one is made for it. */
  linkCode: string | null;
  classId: number;
  /** People, link and students that a session of this class period holds; empty for drop-in hours, which may overlap. */
  holds: string[];
  /** What the books have for any of them, the series in hand left out. */
  bookings: KnownBooking[];
  /** What to call a held thing; whatever has no name here is a student. */
  names: Record<string, string>;
  /** Clashes that the teacher has said to keep, by key. */
  kept?: string[];
  /** The plan is on the books already: what has begun of it stays as it was. */
  isEdit?: boolean;
  /** How many students stand on the roll; left out where that does not matter. */
  rollSize?: number;
  /** How many may come by all rolls that meet in it, and how many the door lets in; left out where nobody is counted. */
  room?: { coming: number; capacity: number };
  /** How its sessions are cut into slots, where they are. */
  slots?: SlotPattern;
}
