import { Check, ChevronDown } from 'lucide-react';
import { Select } from 'radix-ui';
import { box, card, cell, part, quietPart } from './dress.js';
import { pageNonce } from './pageNonce.js';
import * as say from './words.js';

/** `readOut`: what is read out after the label where two choices look alike in the sentence. */
interface Choice {
  value: string;
  label: string;
  hint?: string;
  readOut?: string;
  apart?: boolean;
}

/** Radix keeps the empty value for “nothing is chosen yet”; with us it can be a choice like others. */
const EMPTY = '-empty-';
const inside = (value: string): string => (value === '' ? EMPTY : value);
const outside = (value: string): string => (value === EMPTY ? '' : value);

function ChoiceItem({ choice }: { choice: Choice }) {
  const { value, label, hint, readOut, apart } = choice;
  const aside = hint ?? readOut;
  return (
    <Select.Item
      value={inside(value)}
      className={`flex cursor-pointer items-baseline gap-2 rounded px-3 py-1.5 outline-none data-[highlighted]:bg-shade ${apart ? 'mt-1 border-t border-line pt-2 text-bracken-deep' : ''}`}
    >
      <span className="w-4 shrink-0">
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

const Choices = ({ choices }: { choices: readonly Choice[] }) => (
  <Select.Portal>
    <Select.Content
      position="popper"
      sideOffset={4}
      className={`${card} max-h-80 max-w-view overflow-auto`}
    >
      <Select.Viewport nonce={pageNonce} className="p-1">
        {choices.map((choice) => (
          <ChoiceItem key={choice.value} choice={choice} />
        ))}
      </Select.Viewport>
    </Select.Content>
  </Select.Portal>
);

interface ChoiceProps {
  label: string;
  value: string;
  choices: readonly Choice[];
  onChange: (value: string) => void;
  invalid?: boolean;
  disabled?: boolean;
}

function Chooser({
  label,
  value,
  choices,
  onChange,
  invalid = false,
  disabled = false,
  dress,
}: ChoiceProps & { dress: string }) {
  return (
    <Select.Root
      value={choices.some((choice) => choice.value === value) ? inside(value) : ''}
      onValueChange={(chosen) => onChange(outside(chosen))}
      disabled={disabled}
    >
      <Select.Trigger aria-label={label} className={dress} data-invalid={invalid}>
        <span className="min-w-0 truncate">
          <Select.Value placeholder={say.choose} />
        </span>
        <Select.Icon className="shrink-0">
          <ChevronDown size={14} aria-hidden="true" />
        </Select.Icon>
      </Select.Trigger>
      <Choices choices={choices} />
    </Select.Root>
  );
}

/** A marked part of a sentence that offers a list of choices; `marked` false: it only shows what comes from elsewhere. */
export const ChoicePart = ({ marked = true, ...choice }: ChoiceProps & { marked?: boolean }) => (
  <Chooser
    {...choice}
    dress={`${part} max-w-full disabled:opacity-60 ${marked ? '' : quietPart}`}
  />
);

const BOXES = { field: box, cell };

/** A box that offers a list of choices: as wide as its line, or in a row of others. */
export const ChoiceBox = ({
  dress = 'field',
  width = '',
  ...choice
}: ChoiceProps & { dress?: 'field' | 'cell'; width?: string }) => (
  <Chooser
    {...choice}
    dress={`inline-flex items-center justify-between gap-2 text-left disabled:opacity-60 data-[invalid=true]:border-berry ${BOXES[dress]} ${width}`}
  />
);
