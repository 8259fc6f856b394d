import { useSyncExternalStore } from 'react';

const PROBE_MS = 1500;
/** A server that has not answered by then does not answer. */
const PATIENCE_MS = 4000;

let isGone = false;
const listeners = new Set<() => void>();

/** Says, or hears from another tab, whether the server can be reached. */
export function noteGone(now: boolean): void {
  if (now === isGone) return;
  isGone = now;
  for (const tell of listeners) tell();
}

const subscribe = (tell: () => void): (() => void) => {
  listeners.add(tell);
  return () => listeners.delete(tell);
};

/** Whether the server cannot be reached just now. */
export const useServerGone = (): boolean => useSyncExternalStore(subscribe, () => isGone);

const isThere = (): Promise<boolean> =>
  fetch('/health', { cache: 'no-store', signal: AbortSignal.timeout(PATIENCE_MS) }).then(
    (answer) => answer.ok,
    () => false,
  );

let looking = false;

/** Asks for the server until it is there again, and tells each time whether it is. */
export async function lookForServer(tell: (isGone: boolean) => void): Promise<void> {
  if (looking) return;
  looking = true;
  for (;;) {
    const there = await isThere();
    tell(!there);
    if (there) break;
    await new Promise((resolve) => {
      setTimeout(resolve, PROBE_MS);
    });
  }
  looking = false;
}
