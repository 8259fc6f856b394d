import type { ButtonHTMLAttributes, ReactNode } from 'react';

type Kind = 'act' | 'strong' | 'plain' | 'link' | 'danger' | 'danger-link';

const KINDS: Record<Kind, string> = {
  act: 'bg-bracken text-on-act border-bracken px-4 py-2 hover:bg-bracken-deep',
  strong: 'bg-ink text-paper border-ink px-4 py-2 hover:opacity-90',
  plain: 'bg-sheet text-ink border-edge px-3.5 py-1.5 hover:bg-shade',
  danger: 'bg-sheet text-berry-deep border-berry px-3.5 py-1.5 hover:bg-berry-tint',
  'danger-link':
    'border-transparent px-0.5 py-1.5 text-berry-deep underline-offset-3 hover:underline',
  link: 'border-transparent px-0 py-0.5 text-bracken-deep underline-offset-3 hover:underline',
};

/** The dress of a button, for links that look like one too. */
export const buttonClass = (kind: Kind = 'plain'): string =>
  `inline-flex items-center justify-center gap-2 rounded-small border text-md font-semibold disabled:opacity-60 half:whitespace-nowrap ${KINDS[kind]}`;

export function Button({
  kind = 'plain',
  className = '',
  children,
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { kind?: Kind; children: ReactNode }) {
  return (
    <button type="button" className={`${buttonClass(kind)} ${className}`} {...rest}>
      {children}
    </button>
  );
}
