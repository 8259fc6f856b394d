import type { ReactNode } from 'react';
import { Screen, type Around } from '../ui/Margin.js';
import { Loading, Trouble } from '../ui/States.js';
import { problemOf } from './api.js';

/** As much of an asked endpoint as is needed to wait for it. */
interface Asked<T> {
  data?: T | undefined;
  error?: unknown;
  refetch: () => unknown;
}

interface LoadedProps<T> {
  asked: Asked<T>;
  /** How many grey lines stand in until the answer is here. */
  lines?: number;
  /** What stands around it, while one waits too. */
  around?: Around;
  /** Stands inside a screen that is there already, instead of bringing its own. */
  isPart?: boolean;
  children: (data: T) => ReactNode;
}

/**
 * What the children make of an answer; until it is here, that it is on its way or why it is not.
 * An answer that once came stays, even if asking anew fails.
 */
export function Loaded<T>({ asked, lines = 6, around, isPart = false, children }: LoadedProps<T>) {
  const { data, error, refetch } = asked;
  if (data !== undefined) return children(data);
  const waiting = error ? (
    <Trouble problem={problemOf(error)} retry={() => void refetch()} />
  ) : (
    <Loading lines={lines} />
  );
  if (isPart) return waiting;
  return <Screen around={around}>{waiting}</Screen>;
}
