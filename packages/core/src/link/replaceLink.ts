import { fail } from '../input.js';
import { secondsOf } from '../time/seconds.js';

/** What becomes of a code that was replaced: works like the new one for good, leads on until an instant, or stops at once. */
export type ReplaceHow = 'keep' | 'forward' | 'stop';

export interface FormerCode {
  code: string;
  how: ReplaceHow;
  /** Until when it leads on; null where it does so for good or not at all. */
  until: string | null;
}

/**
 * The codes of one link: the one it goes by, and those it went by before, oldest first. A former code belongs to its link
 * and not to another code, so that however often a link is replaced every old address finds the newest, and none can lead in a circle.
 */
export interface LinkCodes {
  code: string;
  former: FormerCode[];
}

/** The longest that a replaced code may lead on, in days: a school year and its holidays. */
const LONGEST_DAYS = 400;

/**
 * Gives a link a new code. `until` is asked for `forward` and for nothing else: an instant after `now`.
 * Throws GlenInputError at `code` where the link has borne it before, at `until` where it does not fit.
 */
export function replaceLink(
  link: LinkCodes,
  how: ReplaceHow,
  { code, now, until = null }: { code: string; now: string; until?: string | null },
): LinkCodes {
  if (code === link.code || link.former.some((f) => f.code === code))
    fail('code', 'This link has had that code before.');
  if (how === 'forward') {
    if (until === null) fail('until', 'Say until when the old link leads on.');
    const wait = secondsOf(until, 'until') - secondsOf(now, 'now');
    if (wait <= 0) fail('until', 'Give a time that is still to come.');
    if (wait > LONGEST_DAYS * 86400)
      fail(
        'until',
        `At most ${LONGEST_DAYS} days from now; to let it lead on for good, keep it working.`,
      );
  } else if (until !== null) fail('until', 'Only a link that leads on has an end.');
  return { code, former: [...link.former, { code: link.code, how, until }] };
}

/** The link as it was before it was last replaced. Throws GlenInputError where it never was. */
export function takeBackReplacing(link: LinkCodes): LinkCodes {
  const last = link.former.at(-1);
  if (!last) fail('former', 'This link has never been replaced.');
  return { code: last.code, former: link.former.slice(0, -1) };
}

/** What a former code does at `now`. */
export const formerCodeLeads = (former: Pick<FormerCode, 'how' | 'until'>, now: string): boolean =>
  former.how === 'keep' ||
  (former.how === 'forward' && former.until !== null && now < former.until);
