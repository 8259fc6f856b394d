import { useBrowserNotices } from '../app/browserNotices.js';
import { Button } from './Button.js';

const SAYS = {
  on: 'This browser tells you, while Glen is open in it, when somebody knocks and when a session of yours begins.',
  off: 'This browser can tell you, while Glen is open in it, when somebody knocks and when a session of yours begins.',
  denied:
    'This browser has been told to show nothing of this site. You can change that at the address of the page.',
  none: 'This browser has no way to tell you while you look elsewhere.',
};

/** Whether this browser tells of what happens while its page is not looked at; kept in the browser. */
export function BrowserNotices() {
  const [state, choose] = useBrowserNotices();
  return (
    <div>
      <p className="mb-1 text-sm font-semibold">In this browser</p>
      <p className="text-soft">{SAYS[state]}</p>
      {(state === 'on' || state === 'off') && (
        <p className="mt-1.5">
          <Button onClick={() => void choose(state === 'off')}>
            {state === 'off' ? 'Tell me' : 'Tell me no more'}
          </Button>
        </p>
      )}
    </div>
  );
}
