import { useEffect, type ReactNode } from 'react';
import { fill } from './fill.js';
import * as say from './words.js';

/** What the browser's tab is called while a screen is shown. */
export function useTabTitle(words: string): void {
  useEffect(() => {
    document.title = fill(say.wordsGlen, { words });
    return () => {
      document.title = 'Glen';
    };
  }, [words]);
}

const SIZES = { usual: 'text-2xl', large: 'text-3xl' };

interface ScreenTitleProps {
  /** What the browser's tab says, where it is not the heading itself. */
  tab: string;
  size?: keyof typeof SIZES;
  className?: string;
  children?: ReactNode;
}

/** The heading of a screen, of which each has one; the browser's tab is called by it. */
export function ScreenTitle({
  tab,
  size = 'usual',
  className = '',
  children = tab,
}: ScreenTitleProps) {
  useTabTitle(tab);
  return (
    <h1 className={`${SIZES[size]} text-balance [overflow-wrap:anywhere] ${className}`}>
      {children}
    </h1>
  );
}
