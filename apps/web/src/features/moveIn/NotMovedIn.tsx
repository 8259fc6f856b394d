import { ScreenTitle } from '../../ui/ScreenTitle.js';
import * as say from './words.js';

/** What stands at every address until somebody has moved in. */
export const NotMovedIn = () => (
  <main id="main" className="mx-auto grid min-h-dvh max-w-xl content-center gap-4 px-6">
    <ScreenTitle tab={say.nobodyHasMovedInHere} size="large" />
    <p>{say.toMakeASchoolOpen}</p>
    <p className="text-soft">{say.lookingForAClassAsk}</p>
  </main>
);
