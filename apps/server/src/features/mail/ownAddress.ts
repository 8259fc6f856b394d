/** Where letters reach somebody who has these accounts: the school's, else the first of their own; null where nothing does. */
export function ownAddress(
  accounts: readonly { kind: 'school' | 'personal'; email: string }[],
): string | null {
  const own = accounts.find((account) => account.kind === 'school') ?? accounts[0];
  return own?.email ?? null;
}
