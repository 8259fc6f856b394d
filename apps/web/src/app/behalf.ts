import { ON_BEHALF } from '@glen/contract';

/** A teacher on whose behalf one acts in this tab. */
interface Behalf {
  id: number;
  name: string;
  /** Who acts, by their number. */
  by: number;
}

const KEPT_AS = 'glen-on-behalf-of';

/** On whose behalf one acts in this tab; nobody's: as oneself. */
export function behalfNow(): Behalf | null {
  const kept = sessionStorage.getItem(KEPT_AS);
  return kept === null ? null : (JSON.parse(kept) as Behalf);
}

/** What every call of this tab says of it. */
export function behalfHeaders(): Record<string, string> {
  const behalf = behalfNow();
  return behalf ? { [ON_BEHALF]: String(behalf.id) } : {};
}

/** All that was read was read as somebody else: the page begins anew. */
export function actFor(behalf: Behalf): void {
  sessionStorage.setItem(KEPT_AS, JSON.stringify(behalf));
  window.location.assign('/plan');
}

export function backToOneself(): void {
  sessionStorage.removeItem(KEPT_AS);
  window.location.assign('/school/cover');
}
