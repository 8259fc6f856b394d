import { Popover } from 'radix-ui';
import { useState } from 'react';
import { classTitle } from '@glen/core/light';
import type { ClassItem, Sent, Session } from '@glen/contract';
import { api, messageFor, problemOf } from '../../app/api.js';
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

/** Copies a series: to other class periods, each at its own bell period, or to the next term. */
export function CopyTo({ session, classes }: { session: Session; classes: ClassItem[] }) {
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<number[]>([]);
  const [copy, { error, isLoading }] = api.useCopySeriesMutation();
  const { offerToTakeBack } = useChanges();
  const others = classes.filter((c) => c.id !== session.classId);
  const problem = problemOf(error);
  const send = async (body: Sent<'copySeries'>, label: string): Promise<void> => {
    const ask = { params: { seriesId: session.seriesId }, body };
    const { data } = await copy(ask);
    if (!data) return;
    setOpen(false);
    offerToTakeBack(label, data.touched, () => copy(ask).unwrap());
  };
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button>Copy to…</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          aria-label="Copy this series"
          className="z-30 grid max-w-xs gap-2 rounded-small border border-line bg-sheet p-3.5 text-ink shadow-soft"
        >
          <p className="text-md text-soft">Each meets in its own bell period, on its own link.</p>
          <ClassBoxes classes={others} chosen={chosen} onChange={setChosen} />
          <div className="mt-1 flex flex-wrap gap-2">
            <Button
              kind="strong"
              disabled={isLoading || chosen.length === 0}
              onClick={() =>
                void send(
                  { classIds: chosen },
                  `Copied to ${chosen.length === 1 ? 'one class period' : `${chosen.length} class periods`}.`,
                )
              }
            >
              {chosen.length > 1 ? `Copy to ${chosen.length}` : 'Copy'}
            </Button>
            <Button
              disabled={isLoading}
              onClick={() => void send({ nextTerm: true }, 'Copied to the next term.')}
            >
              To the next term
            </Button>
          </div>
          {problem && (
            <FieldError>{messageFor(problem, 'classIds', 'nextTerm') ?? problem.title}</FieldError>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
