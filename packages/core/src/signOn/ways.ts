import { fail } from '../input.js';
import { areStaff, type PersonRole } from '../people/roles.js';

/** Those for whom the school says how they may sign in. Whoever uses a home account is a guest in this. */
export const SIGNERS = ['staff', 'students', 'guests'] as const;
export type Signers = (typeof SIGNERS)[number];

/** A way in: a password, a passkey, or signing on at a provider, by the name that it has in the settings. */
export type WayIn = 'password' | 'passkey' | `sign-on:${string}`;

/** The ways that are shut to each; what is not named is open, new ways too. */
export type ShutWays = Partial<Record<Signers, WayIn[]>>;

/** Where people sign on: the school's own provider knows school accounts, a private one home accounts. */
export interface ProviderKind {
  id: string;
  kind: 'school' | 'personal';
}

export const signersOf = (kind: 'school' | 'personal', roles: readonly PersonRole[]): Signers => {
  if (kind === 'personal') return 'guests';
  return areStaff(roles) ? 'staff' : 'students';
};

export const mayUseWay = (shut: ShutWays, who: Signers, way: WayIn): boolean =>
  !(shut[who] ?? []).includes(way);

/** The ways that there are for some: providers of their kind of account, after passwords and passkeys. */
export function waysFor(who: Signers, providers: readonly ProviderKind[]): WayIn[] {
  const kind = who === 'guests' ? 'personal' : 'school';
  const theirs = providers.filter((provider) => provider.kind === kind);
  return ['password', 'passkey', ...theirs.map(({ id }): WayIn => `sign-on:${id}`)];
}

const NAMES: Record<Signers, string> = {
  staff: 'staff',
  students: 'students',
  guests: 'guests and home accounts',
};

/**
 * Throws unless everybody can still come in for a first time, and whoever shuts ways can come in again as they did now
 * (`used`). A passkey alone is no first way in: it is added by whoever is in already.
 */
export function checkShutWays(
  shut: ShutWays,
  { providers, used }: { providers: readonly ProviderKind[]; used: WayIn | null },
): void {
  for (const who of SIGNERS) {
    const first = waysFor(who, providers).filter((way) => way !== 'passkey');
    if (!first.some((way) => mayUseWay(shut, who, way)))
      fail(`shut.${who}`, `Leave ${NAMES[who]} one way in besides passkeys.`);
  }
  if (used !== null && !mayUseWay(shut, 'staff', used))
    fail(
      'shut.staff',
      'You came in this way yourself: sign in by another first, to see that it works.',
    );
}
