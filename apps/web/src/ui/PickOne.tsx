import type { ReactNode } from 'react';

interface PickOneProps<T extends string> {
  label: string;
  value: T;
  choices: readonly (readonly [value: T, shown: ReactNode])[];
  onChange: (value: T) => void;
  /** Smaller, inside a list. */
  small?: boolean;
}

/** A row of buttons of which one is chosen. */
export const PickOne = <T extends string>({
  label,
  value,
  choices,
  onChange,
  small = false,
}: PickOneProps<T>) => (
  <div role="radiogroup" aria-label={label} className="flex flex-wrap gap-2">
    {choices.map(([choice, shown]) => (
      <button
        key={choice}
        type="button"
        role="radio"
        aria-checked={value === choice}
        onClick={() => onChange(choice)}
        className={`rounded-small border ${small ? 'px-2.5 py-0.5 text-sm' : 'px-3 py-1 text-md'} ${value === choice ? 'border-ink bg-ink text-paper' : 'border-edge bg-sheet'}`}
      >
        {shown}
      </button>
    ))}
  </div>
);
