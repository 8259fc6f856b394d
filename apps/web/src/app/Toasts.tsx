import { Suspense, lazy, useEffect, useState } from 'react';
import { atFirstToast, toastParts } from '../ui/toast.js';
import { useWide } from '../ui/useMedia.js';

const Toaster = lazy(async () => ({ default: (await toastParts()).Toaster }));

/** Where the server is gone by the time something is to be said, what says it is there already. */
const FETCHED_AFTER_MS = 3000;

/** Whether toasts are to be shown by now. */
function useIsWanted(): boolean {
  const [isWanted, setWanted] = useState(false);
  useEffect(() => {
    const want = (): void => setWanted(true);
    atFirstToast(want);
    const timer = setTimeout(want, FETCHED_AFTER_MS);
    return () => clearTimeout(timer);
  }, []);
  return isWanted;
}

/** Below the top bar, and where there is a margin in its lower corner: a form's buttons are in neither place. */
const UNDER_THE_BAR = { top: 56 };
const IN_THE_MARGIN = { bottom: 14, right: 12 };
const MARGIN_WIDTH = { '--width': '268px' } as React.CSSProperties;

/** What was just done, with the way back: where it covers nothing that can be pressed. */
export function Toasts() {
  const wide = useWide();
  if (!useIsWanted()) return null;
  return (
    <Suspense>
      <Toaster
        theme="system"
        position={wide ? 'bottom-right' : 'top-center'}
        offset={wide ? IN_THE_MARGIN : UNDER_THE_BAR}
        mobileOffset={UNDER_THE_BAR}
        style={wide ? MARGIN_WIDTH : {}}
        toastOptions={{
          classNames: {
            // What lies under it can be pressed through it; its own button can be pressed.
            toast: '!bg-bar !text-bar-ink !border-bar !font-sans !pointer-events-none',
            actionButton: '!bg-bar-ink !text-bar !pointer-events-auto',
          },
        }}
      />
    </Suspense>
  );
}
