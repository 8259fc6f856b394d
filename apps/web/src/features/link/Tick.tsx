import type { ReactNode } from 'react';

interface TickProps {
  label: ReactNode;
  checked: boolean;
  onChange: (on: boolean) => void;
}

/** One of several that can be chosen together. */
export const Tick = ({ label, checked, onChange }: TickProps) => (
  <label className="flex items-center gap-2 text-base">
    <input
      type="checkbox"
      className="size-4 accent-bracken"
      checked={checked}
      onChange={(e) => onChange(e.target.checked)}
    />
    {label}
  </label>
);
