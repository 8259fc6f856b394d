import { useSyncExternalStore } from 'react';

const useMedia = (query: string): boolean =>
  useSyncExternalStore(
    (changed) => {
      const list = window.matchMedia(query);
      list.addEventListener('change', changed);
      return () => list.removeEventListener('change', changed);
    },
    () => window.matchMedia(query).matches,
  );

/** Whether the margin has room beside the page; below that it folds into a drawer. */
export const useWide = (): boolean => useMedia('(min-width: 72.5rem)');

/** Whether there is less room than half a large screen: a phone, as a rule. Paper is narrower, and no phone. */
export const usePhone = (): boolean => useMedia('screen and (width < 56.25rem)');
