import { useEffect, useRef } from 'react';
import { tellInBrowser } from './browserNotices.js';
import { fill } from '../ui/fill.js';
import * as say from './words.js';

interface Begins {
  id: number;
  title: string;
  /** An instant. */
  start: string;
  status: string;
}

/** So long after it began it is no news that it does, in seconds. */
const NEWS_SECONDS = 90;

/** Tells in the browser that one of some sessions begins, once each. */
export function useBeginnings(sessions: readonly Begins[], now: string): void {
  const told = useRef(new Set<string>());
  useEffect(() => {
    for (const { id, title, start, status } of sessions) {
      const ago = (Date.parse(now) - Date.parse(start)) / 1000;
      const key = `${id} ${start}`;
      if (status === 'cancelled' || ago < 0 || ago > NEWS_SECONDS || told.current.has(key))
        continue;
      told.current.add(key);
      tellInBrowser({
        title: fill(say.itBegins, { title }),
        body: say.yourSessionBegins,
        tag: key,
      });
    }
  }, [sessions, now]);
}
