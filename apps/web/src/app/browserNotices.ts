import { useSyncExternalStore } from 'react';

// What a browser shows outside its pages, while one of them is open but not looked at.

const KEPT = 'glen-browser-notices';
const listeners = new Set<() => void>();
const tellListeners = (): void => listeners.forEach((tell) => tell());

/** `denied`: the person has said no to the browser, which alone can take that back. */
type NoticeState = 'on' | 'off' | 'denied' | 'none';

function stateNow(): NoticeState {
  if (!('Notification' in window)) return 'none';
  if (Notification.permission === 'denied') return 'denied';
  return Notification.permission === 'granted' && localStorage.getItem(KEPT) === 'on'
    ? 'on'
    : 'off';
}

/** Whether this browser tells of knocks and beginnings, and how that is changed: only then the browser itself asks. */
export function useBrowserNotices(): [NoticeState, (on: boolean) => Promise<void>] {
  const state = useSyncExternalStore((changed) => {
    listeners.add(changed);
    return () => listeners.delete(changed);
  }, stateNow);
  const choose = async (on: boolean): Promise<void> => {
    if (on) await Notification.requestPermission();
    localStorage.setItem(KEPT, on ? 'on' : 'off');
    tellListeners();
  };
  return [state, choose];
}

interface BrowserNotice {
  title: string;
  body: string;
  /** Of two with the same the later stands in the place of the earlier. */
  tag: string;
}

/** Shows something outside the page where that is wished and nobody looks at it. */
export function tellInBrowser({ title, ...rest }: BrowserNotice): void {
  if (stateNow() !== 'on' || !document.hidden) return;
  try {
    const shown = new Notification(title, rest);
    shown.onclick = () => {
      window.focus();
      shown.close();
    };
  } catch {
    // Some browsers on phones have the word and not the thing.
  }
}
