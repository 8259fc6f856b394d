import type { ComponentProps } from 'react';
import { Field, inputClass } from './Field.js';

interface TextFieldProps extends ComponentProps<'input'> {
  label: string;
  hint?: string | undefined;
  error?: string | undefined;
}

/** A labelled line to type in. Whatever else an input takes, and a form library's `register`, goes to the input. */
export const TextField = ({ label, hint, error, className = '', ...input }: TextFieldProps) => (
  <Field label={label} error={error} {...(hint === undefined ? {} : { hint })}>
    {(p) => <input {...input} {...p} className={`${inputClass} ${className}`} />}
  </Field>
);

/** The same for an address on the web: nothing is corrected or capitalised, and a phone offers its slashes. */
export const WebAddressField = (props: TextFieldProps) => (
  <TextField
    className="font-mono"
    inputMode="url"
    autoCapitalize="none"
    spellCheck={false}
    placeholder="https://"
    {...props}
  />
);
