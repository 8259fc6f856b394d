import { useEffect, useRef, useState, type RefObject } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import { dropHalf, halfWritten, keepHalf } from './halfWritten.js';
import { offerUndo } from './undo.js';
import * as say from './words.js';

/** The name of a form with the ids of what it is about, and what goes with its fields. */
export interface KeepAs {
  name: string;
  version?: () => number | undefined;
  beside?: () => string;
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** What was half-written, and how it is kept as it changes, and dropped. */
export function useHalfWritten<Values extends FieldValues>(
  start: Values,
  keepAs: KeepAs | undefined,
) {
  const [begun] = useState(start);
  const [half, setHalf] = useState(() => (keepAs ? halfWritten(keepAs.name, start) : null));
  return {
    begun,
    half,
    isKept: keepAs !== undefined,
    drop: (): void => {
      if (keepAs) dropHalf(keepAs.name);
      setHalf(null);
    },
    keep: (values: Values): void => {
      if (!keepAs) return;
      const { name, version, beside } = keepAs;
      if (same(values, begun)) dropHalf(name);
      else keepHalf(name, { values, version: version?.(), beside: beside?.() });
    },
  };
}

/** Keeps what is typed into a form until it is saved or thrown away. */
export function useKeeping<Values extends FieldValues, Sent>(
  form: UseFormReturn<Values, unknown, Sent>,
  { begun, half, isKept, drop, keep }: ReturnType<typeof useHalfWritten<Values>>,
) {
  const { watch } = form;
  useEffect(() => {
    if (!isKept) return;
    const { unsubscribe } = watch((values) => keep(values as Values));
    return unsubscribe;
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what it keeps, it asks for when it keeps it
  }, [isKept, watch]);
  return {
    /** What was half-written before, where the form came back with it. */
    half,
    /** Begins anew, as if nothing had been typed. */
    throwAway: (): void => {
      form.reset(begun);
      drop();
    },
    /** Leaves the form, and what was typed with it; that can be had back. */
    leave: (): void => {
      const values = form.getValues();
      if (!isKept || same(values, begun)) return;
      drop();
      offerUndo(say.whatYouHadTyped, () => {
        keep(values);
        return Promise.resolve();
      });
    },
  };
}

interface OfKept<Kept, Values> {
  keepAs: string | undefined;
  kept: Kept;
  fieldsOf: (kept: Kept) => Values;
  /** What the fields were filled from. */
  read: RefObject<Kept>;
}

/**
 * The same for a form that stays open on something others may change. What comes back is saved over the version that it was
 * begun on: somebody else's change since is told of.
 */
export function useKeepingChanges<
  Kept extends { version: number },
  Values extends FieldValues,
  Sent,
>(
  form: UseFormReturn<Values, unknown, Sent>,
  { keepAs, kept, fieldsOf, read }: OfKept<Kept, Values>,
): void {
  const [half] = useState(() => (keepAs ? halfWritten(keepAs, fieldsOf(kept)) : null));
  const { reset, watch } = form;
  const { isDirty } = form.formState;
  useEffect(() => {
    if (half === null) return;
    read.current = { ...kept, version: half.version ?? kept.version };
    reset(half.values, { keepDefaultValues: true });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, as the form comes back
  }, []);
  const typed = keepAs && isDirty ? JSON.stringify(watch()) : '';
  const isComingBack = useRef(half !== null);
  useEffect(() => {
    if (!keepAs) return;
    const { version } = read.current;
    if (typed !== '') keepHalf(keepAs, { values: JSON.parse(typed) as Values, version });
    else if (!isComingBack.current) dropHalf(keepAs);
    isComingBack.current = false;
    // eslint-disable-next-line react-hooks/exhaustive-deps -- whenever something is typed
  }, [typed]);
}
