import { Popover } from 'radix-ui';
import { useRef, useState, type FormEvent } from 'react';
import { classTitle } from '@glen/core/light';
import type { ClassItem, Session } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { useChanges } from './useChanges.js';

function ClassBoxes({
  classes,
  chosen,
  onChange,
}: {
  classes: ClassItem[];
  chosen: number[];
  onChange: (chosen: number[]) => void;
}) {
  return (
    <>
      {classes.map((c) => (
        <label key={c.id} className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-bracken"
            checked={chosen.includes(c.id)}
            onChange={(e) =>
              onChange(e.target.checked ? [...chosen, c.id] : chosen.filter((id) => id !== c.id))
            }
          />
          {classTitle(c)}
        </label>
      ))}
    </>
  );
}

/** Where a series is copied to; nowhere: to the next term of its own class period. */
interface Wanted {
  classIds: number[];
}

/** Copies a series; the copies can be taken back. */
function useCopy(session: Session, onDone: () => void) {
  const [copy] = api.useCopySeriesMutation();
  const { offerToTakeBack } = useChanges();
  const toNextTerm = useRef(false);
  const form = useServerForm<Wanted, Wanted, unknown>({
    start: { classIds: [] },
    send: async ({ classIds }) => {
      const body = toNextTerm.current ? { nextTerm: true as const } : { classIds };
      const asked = { params: { seriesId: session.seriesId }, body };
      const answer = await copy(asked);
      const many = classIds.length === 1 ? 'one class period' : `${classIds.length} class periods`;
      const label = `Copied to ${toNextTerm.current ? 'the next term' : many}.`;
      if (answer.data) offerToTakeBack(label, answer.data.touched, () => copy(asked).unwrap());
      return answer;
    },
    onDone: () => {
      form.reset();
      onDone();
    },
  });
  return {
    ...form,
    copyTo: (where: 'chosen' | 'next term'): void => {
      toNextTerm.current = where === 'next term';
      form.submit();
    },
  };
}

function CopyCard({ session, classes, onDone }: CopyProps & { onDone: () => void }) {
  const { watch, change, copyTo, isSending, errorAt, problem } = useCopy(session, onDone);
  const chosen = watch('classIds');
  const wrong = errorAt('classIds') ?? problem?.title;
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    copyTo('chosen');
  };
  return (
    <form onSubmit={submit} className="grid gap-2">
      <p className="text-md text-soft">Each meets in its own bell period, on its own link.</p>
      <ClassBoxes
        classes={classes.filter((c) => c.id !== session.classId)}
        chosen={chosen}
        onChange={(classIds) => change({ classIds })}
      />
      <div className="mt-1 flex flex-wrap gap-2">
        <Button kind="strong" type="submit" disabled={isSending || chosen.length === 0}>
          {chosen.length > 1 ? `Copy to ${chosen.length}` : 'Copy'}
        </Button>
        <Button disabled={isSending} onClick={() => copyTo('next term')}>
          To the next term
        </Button>
      </div>
      {wrong && <FieldError>{wrong}</FieldError>}
    </form>
  );
}

interface CopyProps {
  session: Session;
  classes: ClassItem[];
}

/** Copies a series: to other class periods, each at its own bell period, or to the next term. */
export function CopyTo(props: CopyProps) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button>Copy to…</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          aria-label="Copy this series"
          className="z-30 max-w-xs rounded-small border border-line bg-sheet p-3.5 text-ink shadow-soft"
        >
          <CopyCard {...props} onDone={() => setOpen(false)} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
