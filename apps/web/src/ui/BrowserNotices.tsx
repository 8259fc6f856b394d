import { useBrowserNotices } from '../app/browserNotices.js';
import { Button } from './Button.js';
import * as say from './words.js';

/** Whether this browser tells of what happens while its page is not looked at; kept in the browser. */
export function BrowserNotices() {
  const [state, choose] = useBrowserNotices();
  return (
    <div>
      <p className="mb-1 text-sm font-semibold">{say.inThisBrowser}</p>
      <p className="text-soft">{say.says[state]}</p>
      {(state === 'on' || state === 'off') && (
        <p className="mt-1.5">
          <Button onClick={() => void choose(state === 'off')}>
            {state === 'off' ? say.tellMe : say.tellMeNoMore}
          </Button>
        </p>
      )}
    </div>
  );
}
