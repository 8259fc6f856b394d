import { Popover } from 'radix-ui';
import { useState } from 'react';
import { stillInside } from '@glen/core/light';
import { toast } from '../../ui/toast.js';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { isLastHost, leftBehind, type Desk } from './useDesk.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const AS = { host: 'host', 'co-teacher': 'co-teacher', presenter: say.namedPresenter } as const;
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
      <legend className="mb-1 font-semibold">{say.whoTakesOver}</legend>
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
              {s.acting ? say.actingHostAlready : AS[s.as]},{' '}
              {isInside(desk, s) ? say.inside : say.notInYet}
            </span>
          </span>
        </label>
      ))}
    </fieldset>
  );
}

/** Who stays behind, and whether anybody hosts them. */
function StillInside({ desk, to }: { desk: Desk; to: Successor | undefined }) {
  const names = leftBehind(desk).filter((name) => name !== to?.name);
  if (names.length === 0) return null;
  const isAlone = isLastHost(desk) && to !== undefined && !isInside(desk, to);
  return (
    <p
      className={`rounded-small p-2.5 text-sm ${isAlone ? 'bg-berry-tint text-berry-deep' : 'bg-shade'}`}
    >
      {stillInside(names)}
      {isAlone && ` ${say.theyAreWithoutAHost}`}
    </p>
  );
}

interface HandOverProps {
  desk: Desk;
  linkId: number;
}

interface Wish {
  /** Nobody yet. */
  personId: number | null;
  leave: boolean;
}

function HandOverCard({ desk, linkId, close }: HandOverProps & { close: () => void }) {
  const [handOver] = api.useHandOverMutation();
  const { watch, change, problem, errorAt, isSending, submit } = useServerForm<Wish, Wish, unknown>(
    {
      start: { personId: null, leave: true },
      send: ({ personId, leave }) =>
        handOver({ params: { linkId }, body: { personId: personId!, leave } }),
      onDone: () => {
        toast(fill(say.isHostUntilThisSession, { name: to!.name }));
        close();
      },
    },
  );
  const { personId, leave } = watch();
  const to = desk.successors.find((s) => s.id === personId);
  const wrong = errorAt('personId') ?? problem?.title;
  return (
    <form className="grid gap-3" noValidate onSubmit={submit}>
      <Successors
        desk={desk}
        chosen={personId ?? undefined}
        choose={(id) => change({ personId: id })}
      />
      <label className="flex items-center gap-2.5">
        <input
          type="checkbox"
          checked={leave}
          onChange={(e) => change({ leave: e.target.checked })}
        />
        {say.andILeaveTheRoom}
      </label>
      {leave && <StillInside desk={desk} to={to} />}
      {to && (
        <p className="text-sm text-soft">
          {isInside(desk, to)
            ? fill(say.letsPeopleInFromNow, { to: to.name })
            : fill(say.isNotInYetUntil, { to: to.name })}
        </p>
      )}
      {desk.pastedRoom && (
        <p className="rounded-small bg-gorse-tint p-2.5 text-sm text-gorse-deep">
          {say.glenHandsOverTheDoor}
          {desk.powers && ` ${fill(say.notedAboutThem, { powers: desk.powers })}`}
        </p>
      )}
      {wrong && <FieldError>{wrong}</FieldError>}
      <Button type="submit" kind="act" disabled={!to || isSending}>
        {to ? fill(leave ? say.handOverToAndLeave : say.handOverTo, { to: to.name }) : say.handOver}
      </Button>
    </form>
  );
}

/** Hands the running session to a co-teacher or named presenter, who is acting host till its end. */
export function HandOver({ desk, linkId }: HandOverProps) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className={buttonClass()}>{say.handOverDots}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          align="start"
          className={deskCard}
          aria-label={say.handTheSessionOver}
        >
          {desk.successors.length === 0 ? (
            <p className="text-soft">{say.thisClassPeriodHas}</p>
          ) : (
            <HandOverCard desk={desk} linkId={linkId} close={() => setOpen(false)} />
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
