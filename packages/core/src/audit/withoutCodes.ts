/** What a rule calls the code that whoever comes has to know. */
const CODE_FIELD = 'entryCode';

const SET = 'set';
const SET_TO_ANOTHER = 'set to another';

/** A copy with each entry code told as `mark` has it. */
function marked(said: unknown, mark: (code: string) => string): unknown {
  if (Array.isArray(said)) return said.map((part) => marked(part, mark));
  if (typeof said !== 'object' || said === null) return said;
  const parts = Object.entries(said).map(([name, part]) => [
    name,
    name === CODE_FIELD && typeof part === 'string' ? mark(part) : marked(part, mark),
  ]);
  return Object.fromEntries(parts) as unknown;
}

/** What a thing said before and after, without entry codes: that there is one is told, and whether it is another than before. */
export function withoutCodes(before: unknown, after: unknown): { before: unknown; after: unknown } {
  const known = new Set<string>();
  const told = marked(before, (code) => {
    known.add(code);
    return SET;
  });
  return {
    before: told,
    after: marked(after, (code) => (known.size === 0 || known.has(code) ? SET : SET_TO_ANOTHER)),
  };
}
