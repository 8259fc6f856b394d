/** So many are named; of more only how many they are. */
const MOST_NAMES = 5;

/** Who would stay behind where a host leaves, in a sentence; empty where nobody would. */
export function stillInside(names: string[]): string {
  if (names.length === 0) return '';
  const named = names.slice(0, MOST_NAMES);
  const more = names.length - named.length;
  const listed = more > 0 ? [...named, `${more} more`] : named;
  const last = listed.at(-1)!;
  const all = listed.length === 1 ? last : `${listed.slice(0, -1).join(', ')} and ${last}`;
  return `Still inside: ${all}.`;
}
