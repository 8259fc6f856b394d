import { ScreenTitle } from '../../ui/ScreenTitle.js';

/** What stands at every address until somebody has moved in. */
export const NotMovedIn = () => (
  <main id="main" className="mx-auto grid min-h-dvh max-w-xl content-center gap-4 px-6">
    <ScreenTitle tab="Nobody has moved in here yet" size="large" />
    <p>
      To make a school, open the address that Glen told as it started, in the window where it was
      started. If it is lost, start Glen again: it tells a new one, and whatever was typed is still
      there.
    </p>
    <p className="text-soft">Looking for a class? Ask whoever sent you here for its link.</p>
  </main>
);
