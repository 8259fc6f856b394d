import { CalendarDays } from 'lucide-react';
import { Popover } from 'radix-ui';
import { Suspense, lazy, useState } from 'react';
import { dateShown, readTypedDate } from '@glen/core/light';
import { isoOf } from './dayPicker.js';
import { card } from './dress.js';
import { Loading } from './States.js';
import { TypedBox, openerClass, type BoxDress } from './TypedBox.js';
import { useTyped } from './useTyped.js';
import { useWriting } from './writing.js';
import { fill } from './fill.js';
import * as say from './words.js';

const Month = lazy(() => import('./OneDay.js'));

interface DateFieldProps {
  id?: string;
  'aria-label'?: string;
  'aria-describedby'?: string | undefined;
  /** YYYY-MM-DD, or empty; so is what `onChange` gives. */
  value: string;
  onChange: (date: string) => void;
  invalid?: boolean;
  dress?: BoxDress;
  placeholder?: string;
}

function MonthCard({ date, onPick }: { date: string; onPick: (date: string) => void }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger type="button" aria-label={say.month} className={openerClass}>
        <CalendarDays size={14} aria-hidden="true" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          className={`${card} p-3`}
          aria-label={say.month}
        >
          <Suspense fallback={<Loading />}>
            <Month
              date={date}
              onPick={(day) => {
                onPick(day);
                setOpen(false);
              }}
            />
          </Suspense>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** A date to type, in the order that one writes dates, or to pick from a month. */
export function DateField({
  value,
  onChange,
  invalid = false,
  dress = 'field',
  ...input
}: DateFieldProps) {
  const { dateOrder: order } = useWriting();
  const near = value || isoOf(new Date());
  const { isUnread, take, props } = useTyped({
    value,
    onChange,
    shown: (date) => dateShown(date, order),
    read: (typed) => readTypedDate(typed, { order, near }),
    isWhole: (typed) => /\d{4}$|\d{4}-\d{2}-\d{2}$/.test(typed),
  });
  return (
    <TypedBox
      {...input}
      {...props}
      dress={dress}
      width={dress === 'field' ? 'w-42' : 'w-37'}
      invalid={invalid}
      unread={isUnread ? fill(say.noDateWriteItLike, { date: dateShown(near, order) }) : undefined}
      opener={<MonthCard date={near} onPick={take} />}
    />
  );
}
