import { ChevronDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { buttonClass } from './Button.js';
import { card } from './dress.js';

export interface MoreItem {
  words: string;
  onSelect: () => void;
}

interface MoreProps {
  /** What the button says. */
  words: string;
  /** For those who hear it: of whom or what. */
  label: string;
  items: readonly MoreItem[];
}

/** What is done less often, behind one button. Nothing where there is nothing. */
export function MoreMenu({ words, label, items }: MoreProps) {
  if (items.length === 0) return null;
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger type="button" aria-label={label} className={buttonClass()}>
        {words}
        <ChevronDown size={14} aria-hidden="true" />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" sideOffset={4} className={`${card} p-1`}>
          {items.map((item) => (
            <DropdownMenu.Item
              key={item.words}
              className="cursor-pointer rounded px-3 py-1.5 outline-none data-[highlighted]:bg-shade"
              onSelect={item.onSelect}
            >
              {item.words}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
