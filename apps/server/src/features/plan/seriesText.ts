import { GlenInputError } from '@glen/core';
import { wrongField } from '../../http/problem.js';
import type { SeriesRow, SeriesText } from './store.js';

/** What a series' row says. */
export const textOf = ({
  title,
  description,
  plan,
  draft,
  words,
  undated,
  rules,
  date_rules,
}: SeriesRow): SeriesText => ({
  title,
  description,
  plan,
  draft,
  undated: Boolean(undated),
  words,
  rules,
  dateRules: date_rules,
});

/** A series that the core has edited, as it is written. */
export const withWords = (
  text: Omit<SeriesText, 'words'> & { words?: SeriesText['words'] },
): SeriesText => ({ ...text, words: text.words ?? {} });

/** Runs a core computation on what was sent: its errors stand beside the fields of the body. */
export function inBody<T>(prefix: string, work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof GlenInputError) throw wrongField(`${prefix}${error.path}`, error.message);
    throw error;
  }
}

/** Why a session whose door has been opened stays as it is. */
export const OPENED = {
  time: 'Its door has been opened already, so its time stays. Title and description can still change.',
  draft: 'Its door has been opened already, so it is no draft.',
  cancel: 'Its door has been opened already; end it at the desk instead.',
  remove: 'Its door has been opened already, so it stays on the plan.',
};
/** Why a session that has begun is not removed. */
export const BEGUN = 'It has begun already, so it stays on the plan; it can be cancelled.';
