import { typedPart } from './SentencePart.js';

/** A small number to type, as a part of the sentence. */
export function NumberPart({
  label,
  value,
  onChange,
  invalid = false,
  wide = false,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  invalid?: boolean;
  wide?: boolean;
}) {
  return (
    <input
      inputMode="numeric"
      aria-label={label}
      aria-invalid={invalid}
      data-invalid={invalid}
      className={`${typedPart} ${wide ? 'w-16' : 'w-12'}`}
      value={value}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}
