import { useSyncExternalStore } from 'react';

const query = '(min-width: 1160px)';

/** Whether the margin has room beside the page; below that it folds into a drawer. */
export const useWide = (): boolean =>
  useSyncExternalStore(
    (changed) => {
      const list = window.matchMedia(query);
      list.addEventListener('change', changed);
      return () => list.removeEventListener('change', changed);
    },
    () => window.matchMedia(query).matches,
  );
