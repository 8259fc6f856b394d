import type { SchoolCalendar } from '@glen/core';
import type { SheetDraft } from './sheetDraft.js';

/** What every part of the sheet's sentence is given. */
export interface PartProps {
  draft: SheetDraft;
  change: (part: Partial<SheetDraft>) => void;
  school: SchoolCalendar;
  wrong: (path: string) => boolean;
}
