import { useEffect } from 'react';
import type { Account } from '@glen/contract';

type Kind = Account['kind'];
type Known = Pick<Account, 'id' | 'kind'>;

const KINDS: readonly unknown[] = ['school', 'personal'] satisfies Kind[];

const keyOf = (code: string): string => `glen-wrong-at-${code}`;

function isKnown(one: unknown): one is Known {
  const { id, kind } = (one ?? {}) as Record<string, unknown>;
  return typeof id === 'number' && KINDS.includes(kind);
}

function read(code: string): Known[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(code)) ?? '[]');
    return Array.isArray(kept) ? kept.filter(isKnown) : [];
  } catch {
    return [];
  }
}

function write(code: string, known: Known[]): void {
  if (known.length === 0) localStorage.removeItem(keyOf(code));
  else localStorage.setItem(keyOf(code), JSON.stringify(known.slice(-10)));
}

/**
 * The accounts that were wrong at a door, as this browser remembers: they are not offered there again, and their
 * provider is to ask who it is. By their numbers alone. `refused`: the account that the door refuses just now; `taken`:
 * the one that it takes.
 */
export function useWrongHere(
  code: string,
  { refused, taken }: { refused: Known | null; taken: Known | null },
) {
  const { id: wrongId, kind } = refused ?? {};
  const takenId = taken?.id;
  useEffect(() => {
    const others = read(code).filter((one) => one.id !== wrongId && one.id !== takenId);
    write(code, wrongId && kind ? [...others, { id: wrongId, kind }] : others);
  }, [code, wrongId, kind, takenId]);
  const wrong = read(code);
  return {
    is: (account: Known): boolean => wrong.some((one) => one.id === account.id),
    kinds: new Set(wrong.map((one) => one.kind)),
  };
}
