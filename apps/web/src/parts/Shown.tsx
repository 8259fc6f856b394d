import type { ReactNode } from 'react';

/** A kind of part. */
export const Kind = ({ title, children }: { title: string; children: ReactNode }) => (
  <section aria-label={title} className="rounded-big border border-line bg-sheet p-5">
    <h2 className="mb-3 text-xl">{title}</h2>
    <div className="grid gap-4">{children}</div>
  </section>
);

/** Some states of one, beside each other, and what they are for. */
export const States = ({ of, children }: { of: string; children: ReactNode }) => (
  <div>
    <p className="mb-1.5 text-sm text-soft">{of}</p>
    <div className="flex flex-wrap items-start gap-3">{children}</div>
  </div>
);
