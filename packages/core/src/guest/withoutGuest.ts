interface Guest {
  email: string;
  name: string;
}

/** What was kept of anything, as plain data, without a guest's address and the name that stands beside it: others take their place. */
export function withoutGuest(kept: unknown, email: string, instead: Guest): unknown {
  if (kept === email) return instead.email;
  if (Array.isArray(kept)) return kept.map((one) => withoutGuest(one, email, instead));
  if (kept === null || typeof kept !== 'object') return kept;
  const isTheirs = (kept as { email?: unknown }).email === email;
  const parts = Object.entries(kept).map(([key, value]) => [
    key,
    key === 'name' && isTheirs ? instead.name : withoutGuest(value, email, instead),
  ]);
  return Object.fromEntries(parts);
}
