const LONGEST = 500;
/** A path of this very site: one slash and no more at its beginning, nothing that browsers take for one, no controls. */
const OWN_PATH = /^\/(?![/\\])[^\\\p{Cc}\p{Cs}]*$/u;
/** What is no page, or would only send on again. */
const NO_PAGE = /^\/(api|sign-on|assets|metrics)([/?#]|$)/i;

/**
 * Where somebody is sent after signing in: the path that was asked for where it is one of Glen's own pages, else the
 * front page. Never another site (CWE-601), whatever was typed.
 */
export const ownPath = (asked: string | null | undefined): string =>
  asked != null && asked.length <= LONGEST && OWN_PATH.test(asked) && !NO_PAGE.test(asked)
    ? asked
    : '/';
