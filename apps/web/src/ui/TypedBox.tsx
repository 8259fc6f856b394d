import { useId, type InputHTMLAttributes, type ReactNode } from 'react';
import { FieldError } from './Field.js';
import { part } from './dress.js';

/** A box of its own, one in a row of others, or a marked part of a sentence. */
export type BoxDress = 'field' | 'cell' | 'part';

const DRESS: Record<BoxDress, { box: string; input: string }> = {
  field: { box: 'rounded-small border border-edge bg-sheet', input: 'px-3 py-2' },
  cell: { box: 'rounded-small border border-edge bg-sheet text-md', input: 'px-2 py-1' },
  part: { box: part, input: '' },
};

interface TypedBoxProps extends InputHTMLAttributes<HTMLInputElement> {
  dress: BoxDress;
  /** How wide the input is, as a class. */
  width: string;
  invalid: boolean;
  /** What is said where nobody can read what was typed. */
  unread: string | undefined;
  /** What opens a list or a month beside the input. */
  opener: ReactNode;
}

/** An input that reads what is typed, with what else can be chosen beside it. */
export function TypedBox({
  dress,
  width,
  invalid,
  unread,
  opener,
  'aria-describedby': describedBy,
  ...input
}: TypedBoxProps) {
  const id = useId();
  const isWrong = invalid || unread !== undefined;
  const { box, input: inside } = DRESS[dress];
  const described = [describedBy, unread ? id : undefined].filter(Boolean).join(' ');
  return (
    <>
      <span
        data-invalid={isWrong}
        className={`inline-flex items-center gap-1 ${box} data-[invalid=true]:border-berry`}
      >
        <input
          {...input}
          autoComplete="off"
          aria-invalid={isWrong}
          aria-describedby={described || undefined}
          className={`${width} min-w-0 bg-transparent leading-normal text-ink ${inside}`}
        />
        {opener}
      </span>
      {unread && (
        <FieldError id={id} inline>
          {unread}
        </FieldError>
      )}
    </>
  );
}

/** The dress of what opens a list or a month. */
export const openerClass = 'shrink-0 rounded-small p-1 text-soft hover:bg-shade hover:text-ink';
