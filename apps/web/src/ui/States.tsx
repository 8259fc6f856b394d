import type { ReactNode } from 'react';
import type { Problem } from '@glen/contract';
import { Button } from './Button.js';
import * as say from './words.js';

/** Lines that hold the layout while an answer is on its way. */
export function Loading({ lines = 4 }: { lines?: number }) {
  return (
    <div role="status" aria-label={say.loading} className="grid gap-3 py-4">
      {Array.from({ length: lines }, (_, i) => (
        <div
          key={i}
          className="h-10 animate-pulse rounded-small bg-shade motion-reduce:animate-none"
        />
      ))}
    </div>
  );
}

/** What went wrong and what to do about it. */
export function Trouble({ problem, retry }: { problem: Problem | undefined; retry?: () => void }) {
  return (
    <div role="alert" className="my-4 rounded-big border border-line bg-sheet p-5">
      <p className="font-semibold">{problem?.title ?? say.thisCouldNotBeLoaded}</p>
      {problem?.detail && <p className="mt-1 text-soft">{problem.detail}</p>}
      {retry && (
        <Button className="mt-3" onClick={retry}>
          {say.tryAgain}
        </Button>
      )}
    </div>
  );
}

/** What a list says before it has anything: one thing worth knowing. */
export function Empty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="my-4 rounded-big border border-dashed border-edge p-6">
      <p className="font-head text-lg font-semibold">{title}</p>
      {children && <div className="mt-1 text-soft">{children}</div>}
    </div>
  );
}
