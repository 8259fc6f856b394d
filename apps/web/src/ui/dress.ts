/** A marked part of a sentence. */
export const part =
  'inline-flex items-center gap-1 rounded-t-small border-b-2 border-bracken bg-bracken-tint px-2 py-px leading-normal font-semibold text-ink data-[invalid=true]:border-berry data-[invalid=true]:bg-berry-tint';

/** The same where it only shows what comes from elsewhere. */
export const quietPart = 'border-edge bg-shade';

/** What opens over the page: a list, a month, a small card. */
export const card = 'z-30 rounded-small border border-line bg-sheet text-ink shadow-soft';

/** A box to choose in, as wide as its line. */
export const box =
  'w-full rounded-small border border-edge bg-sheet px-3 py-2 text-ink max-half:min-h-11';
/** The same in a row of others. */
export const cell =
  'rounded-small border border-edge bg-sheet px-2 py-1 text-md text-ink max-half:min-h-11';
