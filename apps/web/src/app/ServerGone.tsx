import { useServerGone } from './reaching.js';
import * as say from './words.js';

/** Said on every page while the server cannot be reached; it goes as soon as it can. */
export function ServerGone() {
  const isGone = useServerGone();
  return (
    <div role="status" className="fixed inset-x-0 bottom-0 z-50 print:hidden">
      {isGone && (
        <p className="bg-berry px-4 py-2 text-center text-sheet">
          {say.glenCannotBeReachedJustNow}
        </p>
      )}
    </div>
  );
}
