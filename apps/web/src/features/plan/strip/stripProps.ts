import type { Occurrence, SchoolCalendar, SlotPattern } from '@glen/core';
import type { Chosen, PutDown } from '../chosen.js';
import type { Notch, Strip } from './layout.js';

/** What the sheet would put on the books. */
export interface Proposed {
  classId: number;
  rows: Occurrence[];
  /** Dates that are left out of it, as they would stand. */
  leftOut: Occurrence[];
  /** The keys of those that clash. */
  clashing: Set<string>;
  /** How they are cut into slots, where they are. */
  slots: SlotPattern | undefined;
  /** Leaves a date out or takes it in again; absent where that cannot be. */
  toggle: ((key: string) => void) | undefined;
}

/** What the strip and the week have in common. */
export interface GridProps {
  strip: Strip;
  school: SchoolCalendar;
  now: string;
  today: string;
  proposed: Proposed | null;
  /** The ids of sessions that clash. */
  clashing: Set<number>;
  chosen: Chosen;
  onChoose: (chosen: Chosen) => void;
  onMove: (notch: Notch, to: PutDown) => void;
  onOpen: (notch: Notch) => void;
  onCancel: () => void;
}

export interface StripProps extends GridProps {
  from: string;
  to: string;
  label: string;
}
