import { useEffect, useRef } from 'react';
import type { WayBack } from '@glen/contract';
import type { FieldValues } from 'react-hook-form';
import { offerUndo } from './undo.js';
import { useKeepingChanges } from './useHalfWritten.js';
import { useServerForm, type Schema } from './useServerForm.js';
import * as say from './words.js';

type Sending<Kept> = Promise<{ data?: Kept; error?: unknown }>;

interface KeptForm<Kept, Values extends FieldValues & Sent, Sent> {
  /** The thing as it is kept now; another version of it may come at any time. */
  kept: Kept;
  fieldsOf: (kept: Kept) => Values;
  schema?: () => Promise<Schema<Sent>>;
  /** Saves over the version that was read. Its answer is how the thing stands then. */
  save: (sent: Sent, version: number) => Sending<Kept>;
  /** The same saving as a call that can be kept, so that it is taken back days later too. */
  callFor?: (sent: Sent, version: number) => WayBack;
  /** What is typed and not saved is kept as this, over reloads and other pages. */
  keepAs?: string;
  /** What is said once it is saved, beside the way back. */
  done?: () => string;
  /** What takes it back to how it was, where that is not just what the fields were. */
  back?: (before: Values, saved: Kept) => Sent;
}

/**
 * A form of something that others may change meanwhile. As long as nothing has been typed, their change is taken over;
 * else it is shown beside what was typed when that is saved, and one of the two is chosen. What was saved can be taken
 * back.
 */
export function useKeptForm<
  Kept extends { version: number },
  Values extends FieldValues & Sent,
  Sent,
>({
  kept,
  fieldsOf,
  schema,
  save,
  done = () => say.itIsChanged,
  back = (before) => before,
  callFor,
  keepAs,
}: KeptForm<Kept, Values, Sent>) {
  // What the fields were filled from.
  const read = useRef(kept);
  const form = useServerForm<Values, Sent, Kept>({
    start: fieldsOf(kept),
    schema,
    send: (sent) => save(sent, read.current.version),
    onDone: (saved) => {
      const before = fieldsOf(read.current);
      const words = done();
      take(saved);
      const undo = async (): Promise<void> => {
        const { data, error } = await save(back(before, saved), saved.version);
        if (!data) throw error;
        take(data);
      };
      const calls = callFor && (() => [callFor(back(before, saved), saved.version)]);
      offerUndo(words, undo, calls ? { calls } : {});
    },
  });
  const { reset, clearErrors } = form;
  const { isDirty } = form.formState;
  const take = (from: Kept): void => {
    read.current = from;
    form.setProblem(undefined);
    clearErrors();
    reset(fieldsOf(from));
  };
  useEffect(() => {
    if (isDirty || kept.version === read.current.version) return;
    read.current = kept;
    reset(fieldsOf(kept));
  }, [kept, isDirty, reset, fieldsOf]);

  useKeepingChanges(form, { keepAs, kept, fieldsOf, read });

  const theirs = form.theirs as Kept | undefined;
  return {
    ...form,
    isDirty,
    /** What the fields were filled from. */
    read: read.current,
    /** Leaves what was typed. */
    asItWas: () => take(read.current),
    /** How the thing stands now, where somebody else was faster. */
    theirs,
    takeTheirs: () => theirs && take(theirs),
    saveOver: () => {
      if (theirs) read.current = theirs;
      form.submit();
    },
  };
}
