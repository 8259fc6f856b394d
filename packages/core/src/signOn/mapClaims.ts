import type { PersonRole } from '../people/roles.js';

/** What the school makes of one claim of its provider: whoever it says this of is this to the school, and on these rolls. */
export interface ClaimRule {
  provider: string;
  /** The claim's name, such as `groups`. */
  claim: string;
  /** What it says, or holds among others. */
  value: string;
  role: PersonRole;
  /** Class periods, by number, whose roll a student comes onto. */
  classIds: number[];
}

/** What a claim says, as words; nothing of what is no text or number. */
function wordsOf(said: unknown): string[] {
  const all = Array.isArray(said) ? said : [said];
  return all
    .filter((one) => ['string', 'number', 'boolean'].includes(typeof one))
    .map((one) => String(one).trim());
}

/** What the school's rules make of a provider's claims; nothing where none fits. Each once, in the order of the rules. */
export function mapClaims(
  rules: readonly ClaimRule[],
  provider: string,
  claims: Readonly<Record<string, unknown>>,
): { roles: PersonRole[]; classIds: number[] } {
  const fitting = rules.filter(
    (rule) =>
      rule.provider === provider &&
      Object.hasOwn(claims, rule.claim) &&
      wordsOf(claims[rule.claim]).includes(rule.value.trim()),
  );
  return {
    roles: [...new Set(fitting.map((rule) => rule.role))],
    classIds: [...new Set(fitting.flatMap((rule) => rule.classIds))],
  };
}
