import type { ReactNode } from 'react';
import { Button } from './Button.js';

interface TheirsProps {
  /** Theirs, in a sentence. */
  children: ReactNode;
  saveOver: () => void;
  takeTheirs: () => void;
}

/** Somebody else saved meanwhile: theirs, and which of the two is to count. */
export const Theirs = ({ children, saveOver, takeTheirs }: TheirsProps) => (
  <div role="alert" className="rounded-small border border-gorse bg-gorse-tint p-4">
    <p className="font-semibold text-gorse-deep">Somebody changed this while you were at it</p>
    <p className="mt-1">{children}</p>
    <p className="mt-3 flex gap-3">
      <Button onClick={saveOver}>Save mine over it</Button>
      <Button onClick={takeTheirs}>Take theirs</Button>
    </p>
  </div>
);
