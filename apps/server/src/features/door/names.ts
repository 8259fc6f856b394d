import { classTitle } from '@glen/core';

export const titleOf = (row: { class_title: string; period: string | null }): string =>
  classTitle({ title: row.class_title, period: row.period });

/** What a door is called with nothing planned: the class period, or what a link for some of it is labelled. */
export const nameOf = (row: {
  class_title: string;
  period: string | null;
  for_class: number;
  label: string;
}): string => (row.for_class ? titleOf(row) : row.label);
