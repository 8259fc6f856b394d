import type { ClassItem } from '@glen/contract';
import * as say from './words.js';

/** The parts of a class period's page, as its addresses name them. */
export const TABS = ['sessions', 'entry', 'links', 'posts', 'roll', 'people', 'about'] as const;
export type TabName = (typeof TABS)[number];

export const TAB_NAMES: Record<TabName, string> = say.tabNames;

/** A class has a roll, an occasion people who are named. */
export const hasTab = ({ isOccasion }: Pick<ClassItem, 'isOccasion'>, tab: TabName): boolean =>
  tab !== (isOccasion ? 'roll' : 'people');
