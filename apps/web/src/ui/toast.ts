import type { ExternalToast } from 'sonner';

/** What shows toasts is no part of a first load: it is fetched with the first that is said, or a while after the page stands. */
const parts = (): Promise<typeof import('sonner')> => import('sonner');

type Kind = 'error' | 'warning' | 'message';
type Say = (words: string, options?: ExternalToast) => string | number;

let said = 0;
let onFirst: (() => void) | undefined;

const say =
  (kind: Kind): Say =>
  (words, options = {}) => {
    onFirst?.();
    const id = options.id ?? `said-${++said}`;
    void parts().then(({ toast: shown }) => shown[kind](words, { ...options, id }));
    return id;
  };

/** Says something in the corner; gives by what it is dismissed. */
export const toast = Object.assign(say('message'), {
  error: say('error'),
  warning: say('warning'),
  dismiss: (id: string | number): void =>
    void parts().then(({ toast: shown }) => shown.dismiss(id)),
});

/** Calls back at the first toast, which is shown as soon as there is somewhere to show it. */
export const atFirstToast = (call: () => void): void => {
  if (said > 0) call();
  else onFirst = call;
};
