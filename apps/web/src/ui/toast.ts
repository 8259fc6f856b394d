import type { ExternalToast } from 'sonner';

const AGAIN_AFTER_MS = 2000;
const pause = (): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, AGAIN_AFTER_MS);
  });

/**
 * What shows toasts is no part of a first load: it is fetched with the first that is said, or a while after the page
 * stands; where the server is gone just then, again and again.
 */
export async function toastParts(): Promise<typeof import('sonner')> {
  for (;;)
    try {
      return await import('sonner');
    } catch {
      await pause();
    }
}

type Kind = 'error' | 'warning' | 'message';
type Say = (words: string, options?: ExternalToast) => string | number;

let said = 0;
let onFirst: (() => void) | undefined;

const say =
  (kind: Kind): Say =>
  (words, options = {}) => {
    onFirst?.();
    const id = options.id ?? `said-${++said}`;
    void toastParts().then(({ toast: shown }) => shown[kind](words, { ...options, id }));
    return id;
  };

/** Says something in the corner; gives by what it is dismissed. */
export const toast = Object.assign(say('message'), {
  error: say('error'),
  warning: say('warning'),
  dismiss: (id: string | number): void =>
    void toastParts().then(({ toast: shown }) => shown.dismiss(id)),
});

/** Calls back at the first toast, which is shown as soon as there is somewhere to show it. */
export const atFirstToast = (call: () => void): void => {
  if (said > 0) call();
  else onFirst = call;
};
