import { Popover } from 'radix-ui';
import { useState } from 'react';
import { toast } from 'sonner';
import { api, problemOf } from '../../app/api.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import type { Desk } from './useDesk.js';

const AS = { host: 'host', 'co-teacher': 'co-teacher', presenter: 'named presenter' } as const;
export const deskCard =
  'z-30 grid w-80 gap-3 rounded-big border border-line bg-sheet p-4 text-ink shadow-soft';

type Successor = Desk['successors'][number];

interface SuccessorsProps {
  desk: Desk;
  chosen: number | undefined;
  choose: (id: number) => void;
}

const isInside = (desk: Desk, { name }: Successor): boolean =>
  desk.inside.some((v) => v.name === name);

function Successors({ desk, chosen, choose }: SuccessorsProps) {
  return (
    <fieldset className="grid gap-1.5">
      <legend className="mb-1 font-semibold">Who takes over?</legend>
      {desk.successors.map((s) => (
        <label key={s.id} className="flex items-baseline gap-2.5">
          <input
            type="radio"
            name="successor"
            checked={chosen === s.id}
            onChange={() => choose(s.id)}
          />
          <span>
            {s.name}{' '}
            <span className="text-sm text-soft">
              {s.acting ? 'acting host already' : AS[s.as]},{' '}
              {isInside(desk, s) ? 'inside' : 'not in yet'}
            </span>
          </span>
        </label>
      ))}
    </fieldset>
  );
}

interface HandOverProps {
  desk: Desk;
  linkId: number;
}

function HandOverCard({ desk, linkId, close }: HandOverProps & { close: () => void }) {
  const [handOver, { error, isLoading }] = api.useHandOverMutation();
  const [chosen, setChosen] = useState<number>();
  const [leave, setLeave] = useState(true);
  const to = desk.successors.find((s) => s.id === chosen);
  const problem = problemOf(error);
  const send = async (successor: Successor): Promise<void> => {
    const body = { personId: successor.id, leave };
    const { data } = await handOver({ params: { linkId }, body });
    if (!data) return;
    toast(`${successor.name} is host until this session ends.`);
    close();
  };
  return (
    <>
      <Successors desk={desk} chosen={chosen} choose={setChosen} />
      <label className="flex items-center gap-2.5">
        <input type="checkbox" checked={leave} onChange={(e) => setLeave(e.target.checked)} />
        and I leave the room
      </label>
      {to && (
        <p className="text-sm text-soft">
          {isInside(desk, to)
            ? `${to.name} lets people in from now on, until this session ends.`
            : `${to.name} is not in yet. Until they come, nobody can be let in.`}
        </p>
      )}
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
      <Button kind="act" disabled={!to || isLoading} onClick={() => to && void send(to)}>
        {to ? `Hand over to ${to.name}${leave ? ' and leave' : ''}` : 'Hand over'}
      </Button>
    </>
  );
}

/** Hands the running session to a co-teacher or named presenter, who is acting host till its end. */
export function HandOver({ desk, linkId }: HandOverProps) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className={buttonClass()}>Hand over…</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          align="start"
          className={deskCard}
          aria-label="Hand the session over"
        >
          {desk.successors.length === 0 ? (
            <p className="text-soft">
              This class period has no co-teacher or named presenter to hand over to.
            </p>
          ) : (
            <HandOverCard desk={desk} linkId={linkId} close={() => setOpen(false)} />
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
