import type { ReactNode } from 'react';
import { Button } from './Button.js';
import { fill } from './fill.js';
import * as say from './words.js';

interface TheirsProps {
  /** What was changed. */
  what?: string;
  /** Theirs, in a sentence. */
  children: ReactNode;
  saveOver: () => void;
  takeTheirs: () => void;
}

/** Somebody else saved meanwhile: theirs, and which of the two is to count. */
export const Theirs = ({ what = 'this', children, saveOver, takeTheirs }: TheirsProps) => (
  <div role="alert" className="mb-4 rounded-small border border-gorse bg-gorse-tint p-4">
    <h2 className="text-base text-gorse-deep">{fill(say.somebodyChangedWhileYouWere, { what })}</h2>
    <div className="mt-1">{children}</div>
    <p className="mt-3 flex gap-3">
      <Button onClick={saveOver}>{say.saveMineOverIt}</Button>
      <Button onClick={takeTheirs}>{say.takeTheirs}</Button>
    </p>
  </div>
);
