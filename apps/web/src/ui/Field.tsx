import { useId, type ReactNode } from 'react';

export const inputClass =
  'w-full rounded-small border border-edge bg-sheet px-3 py-2 leading-normal text-ink aria-invalid:border-berry disabled:opacity-60 max-half:min-h-11';

/** A labelled control with room for what is wrong with it, tied together for screen readers. */
export function Field({
  label,
  error,
  hint,
  children,
}: {
  label: string;
  error?: string | undefined;
  hint?: string;
  children: (props: {
    id: string;
    'aria-invalid': boolean;
    'aria-describedby': string | undefined;
  }) => ReactNode;
}) {
  const id = useId();
  const described = [hint ? `${id}-hint` : '', error ? `${id}-error` : '']
    .filter(Boolean)
    .join(' ');
  return (
    <div className="grid content-start gap-1">
      <label htmlFor={id} className="text-sm font-semibold">
        {label}
      </label>
      {children({
        id,
        'aria-invalid': error !== undefined,
        'aria-describedby': described || undefined,
      })}
      {hint && (
        <p id={`${id}-hint`} className="text-sm text-soft">
          {hint}
        </p>
      )}
      {error && <FieldError id={`${id}-error`}>{error}</FieldError>}
    </div>
  );
}

/** The same in one line, where room is short. */
export function InlineField({
  label,
  error,
  children,
}: {
  label: string;
  error?: string | undefined;
  children: (props: {
    id: string;
    'aria-invalid': boolean;
    'aria-describedby': string | undefined;
  }) => ReactNode;
}) {
  const id = useId();
  return (
    <div className="min-w-64 flex-1">
      <div className="flex items-center gap-3">
        <label htmlFor={id} className="text-sm font-semibold">
          {label}
        </label>
        {children({
          id,
          'aria-invalid': error !== undefined,
          'aria-describedby': error ? `${id}-error` : undefined,
        })}
      </div>
      {error && <FieldError id={`${id}-error`}>{error}</FieldError>}
    </div>
  );
}

/** What is wrong, in words; `inline`: within a line of other things. */
export function FieldError({
  id,
  inline = false,
  children,
}: {
  id?: string;
  inline?: boolean;
  children: ReactNode;
}) {
  const Tag = inline ? 'span' : 'p';
  return (
    <Tag id={id} role="alert" className="text-sm font-semibold text-berry-deep">
      {children}
    </Tag>
  );
}
