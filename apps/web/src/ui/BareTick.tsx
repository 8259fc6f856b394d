import type { ComponentProps } from 'react';

/** A box to tick whose words stand elsewhere, or nowhere: the label around it is as large as a thumb on a phone. */
export const BareTick = (input: ComponentProps<'input'> & { 'aria-label': string }) => (
  <label className="inline-grid shrink-0 place-items-center max-half:w-11">
    <input type="checkbox" className="size-4 accent-bracken" {...input} />
  </label>
);
