/** A part of something that was changed, before and after, in words; blank where it was not there. */
interface Change {
  field: string;
  before: string;
  after: string;
}

/** Longer than this nothing is told: it is a log, no copy. */
const LONGEST = 160;
const MOST_CHANGES = 12;

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const short = (text: string): string =>
  text.length > LONGEST ? `${text.slice(0, LONGEST - 1)}…` : text;

/** A value as a line of text. */
function inWords(value: unknown): string {
  if (value === undefined || value === null || value === '') return '';
  if (value === true) return 'yes';
  if (value === false) return 'no';
  if (typeof value === 'string' || typeof value === 'number') return String(value);
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.map(inWords).join(', ');
  return Object.entries(value)
    .filter(([, part]) => part !== undefined && part !== null)
    .map(([key, part]) => `${fieldInWords(key)} ${inWords(part)}`)
    .join(' · ');
}

/** `whoMayEnter` and `as_what` as words. */
const fieldInWords = (key: string): string =>
  key
    .replace(/([a-z0-9])([A-Z])/g, '$1 $2')
    .replaceAll(/[_-]/g, ' ')
    .toLowerCase();

/** What changed between two states of a thing, field by field; what stayed is left out. */
export function changesInWords(before: unknown, after: unknown): Change[] {
  if (!isRecord(before) && !isRecord(after)) {
    const change = { field: '', before: short(inWords(before)), after: short(inWords(after)) };
    return change.before === change.after ? [] : [change];
  }
  const [old, now] = [isRecord(before) ? before : {}, isRecord(after) ? after : {}];
  // Of a change that kept only what is new, what it does not name has stayed.
  const fields = [...new Set([...Object.keys(old), ...Object.keys(now)])];
  return fields
    .map((key) => ({
      field: fieldInWords(key),
      before: short(inWords(old[key])),
      after: short(inWords(now[key])),
    }))
    .filter((change) => change.before !== change.after)
    .slice(0, MOST_CHANGES);
}
