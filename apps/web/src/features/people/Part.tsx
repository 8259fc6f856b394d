import type { ReactNode } from 'react';

/** A part of somebody's page, under its own heading. */
export const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <section aria-label={title} className="mt-7 max-w-3xl [overflow-wrap:anywhere]">
    <h2 className="mb-2 text-xl">{title}</h2>
    {children}
  </section>
);
