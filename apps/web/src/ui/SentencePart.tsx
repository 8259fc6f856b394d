import { Check, ChevronDown } from 'lucide-react';
import { Popover, Select } from 'radix-ui';
import type { ReactNode } from 'react';

const part =
  'inline-flex items-center gap-1 rounded-t-small border-b-2 border-bracken bg-bracken-tint px-2 py-px leading-normal font-semibold text-ink data-[invalid=true]:border-berry data-[invalid=true]:bg-berry-tint';
const card = 'z-30 rounded-small border border-line bg-sheet text-ink shadow-soft';

/** `readOut`: what is read out after the label where two choices look alike in the sentence. */
interface Choice {
  value: string;
  label: string;
  hint?: string;
  readOut?: string;
  apart?: boolean;
}

function ChoiceItem({ choice }: { choice: Choice }) {
  const { value, label, hint, readOut, apart } = choice;
  const aside = hint ?? readOut;
  return (
    <Select.Item
      value={value}
      className={`flex cursor-pointer items-baseline gap-2 rounded px-3 py-1.5 outline-none data-[highlighted]:bg-shade ${apart ? 'mt-1 border-t border-line pt-2 text-bracken-deep' : ''}`}
    >
      <span className="w-4">
        <Select.ItemIndicator>
          <Check size={14} aria-hidden="true" />
        </Select.ItemIndicator>
      </span>
      <Select.ItemText>
        {label}
        {readOut && <span className="sr-only"> {readOut}</span>}
      </Select.ItemText>
      {aside && (
        <span aria-hidden={hint === undefined} className="text-sm text-soft">
          {aside}
        </span>
      )}
    </Select.Item>
  );
}

interface ChoicePartProps {
  label: string;
  value: string;
  choices: Choice[];
  onChange: (value: string) => void;
  invalid?: boolean;
  disabled?: boolean;
  /** Quieter where it only shows what comes from elsewhere. */
  marked?: boolean;
}

/** A marked part of a sentence that offers a list of choices. */
export function ChoicePart({
  label,
  value,
  choices,
  onChange,
  invalid = false,
  disabled = false,
  marked = true,
}: ChoicePartProps) {
  return (
    <Select.Root value={value} onValueChange={onChange} disabled={disabled}>
      <Select.Trigger
        aria-label={label}
        className={`${part} ${marked ? '' : 'border-edge bg-shade'}`}
        data-invalid={invalid}
      >
        <Select.Value placeholder="choose" />
        <Select.Icon>
          <ChevronDown size={14} aria-hidden="true" />
        </Select.Icon>
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          sideOffset={4}
          className={`${card} max-h-80 overflow-auto`}
        >
          <Select.Viewport className="p-1">
            {choices.map((choice) => (
              <ChoiceItem key={choice.value} choice={choice} />
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}

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
        className={`${part} ${marked ? '' : 'border-edge bg-shade'}`}
        data-invalid={invalid}
      >
        {shown}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content sideOffset={4} className={`${card} p-3`} aria-label={label}>
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** A field to type into, in the dress of a sentence part. */
export const typedPart = `${part} min-w-0`;
