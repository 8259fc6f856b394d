import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';
import { card, part, quietPart } from './dress.js';

/** Pixels that a card keeps from the edge of its window. */
const FROM_THE_EDGE = 8;

/** A marked part of a sentence that opens a small card (a calendar, a text field). */
export function CardPart({
  label,
  shown,
  children,
  open,
  onOpenChange,
  invalid = false,
  marked = true,
}: {
  label: string;
  shown: ReactNode;
  children: ReactNode;
  open?: boolean;
  onOpenChange?: (open: boolean) => void;
  invalid?: boolean;
  marked?: boolean;
}) {
  return (
    <Popover.Root
      {...(open === undefined ? {} : { open })}
      {...(onOpenChange ? { onOpenChange } : {})}
    >
      <Popover.Trigger
        aria-label={label}
        className={`${part} ${marked ? '' : quietPart}`}
        data-invalid={invalid}
      >
        {shown}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          collisionPadding={FROM_THE_EDGE}
          className={`${card} p-3`}
          aria-label={label}
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** A field to type into, in the dress of a sentence part. */
export const typedPart = `${part} min-w-0`;
