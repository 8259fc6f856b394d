import { Clock } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState, type KeyboardEvent } from 'react';
import { readTypedTime, timeShown } from '@glen/core/light';
import { card } from './dress.js';
import { TypedBox, openerClass, type BoxDress } from './TypedBox.js';
import { useTyped } from './useTyped.js';
import { useWriting } from './writing.js';
import * as say from './words.js';

/** A time of the school's day that is often meant. */
export interface Bell {
  label: string;
  /** HH:MM */
  time: string;
}

interface TimeFieldProps {
  id?: string;
  'aria-label'?: string;
  'aria-describedby'?: string | undefined;
  /** HH:MM, or empty; so is what `onChange` gives. */
  value: string;
  onChange: (time: string) => void;
  invalid?: boolean;
  dress?: BoxDress;
  bells?: Bell[];
}

function Bells({
  bells,
  open,
  setOpen,
  onPick,
}: {
  bells: Bell[];
  open: boolean;
  setOpen: (open: boolean) => void;
  onPick: (time: string) => void;
}) {
  const { hours } = useWriting();
  return (
    <DropdownMenu.Root open={open} onOpenChange={setOpen}>
      <DropdownMenu.Trigger type="button" aria-label={say.bells} className={openerClass}>
        <Clock size={14} aria-hidden="true" />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className={`${card} max-h-80 overflow-auto p-1`}
        >
          {bells.map(({ label, time }) => (
            <DropdownMenu.Item
              key={`${time} ${label}`}
              className="flex cursor-pointer items-baseline justify-between gap-4 rounded px-3 py-1 outline-none data-[highlighted]:bg-shade"
              onSelect={() => onPick(time)}
            >
              <span className="font-mono">{timeShown(time, hours)}</span>
              <span className="text-sm text-soft">{label}</span>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

/** A wall-clock time to type (`9`, `0915`, `2:15pm`), with the bells of the day to choose from. */
export function TimeField({
  value,
  onChange,
  invalid = false,
  dress = 'field',
  bells = [],
  ...input
}: TimeFieldProps) {
  const { hours } = useWriting();
  const [open, setOpen] = useState(false);
  const { isUnread, take, props } = useTyped({
    value,
    onChange,
    shown: (time) => timeShown(time, hours),
    read: readTypedTime,
    isWhole: (typed) => /^\d{1,2}[:.]\d{2}|^\d{4}$/.test(typed),
  });
  const openBells = (event: KeyboardEvent): void => {
    props.onKeyDown(event);
    if (event.key !== 'ArrowDown' || bells.length === 0) return;
    event.preventDefault();
    setOpen(true);
  };
  const opener =
    bells.length > 0 ? <Bells bells={bells} open={open} setOpen={setOpen} onPick={take} /> : null;
  return (
    <TypedBox
      {...input}
      {...props}
      onKeyDown={openBells}
      dress={dress}
      width={hours === '24' ? 'w-18' : 'w-23'}
      invalid={invalid}
      unread={isUnread ? say.noTimeWriteItLike : undefined}
      opener={opener}
    />
  );
}
