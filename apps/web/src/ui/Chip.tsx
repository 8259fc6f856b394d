import type { ReactNode } from 'react';

const TONES = {
  plain: 'bg-shade text-ink',
  inform: 'bg-loch-tint text-loch-deep',
  well: 'bg-moss-tint text-moss-deep',
  careful: 'bg-gorse-tint text-gorse-deep',
  wrong: 'bg-berry-tint text-berry-deep',
} as const;
export type Tone = keyof typeof TONES;

/** A short fact about the thing beside it. */
export function Chip({ tone = 'plain', children }: { tone?: Tone; children: ReactNode }) {
  return (
    <span className={`inline-block rounded-small px-2 py-0.5 text-sm ${TONES[tone]}`}>
      {children}
    </span>
  );
}
