import { useState } from 'react';
import { lobbyReason } from '@glen/core/light';
import type { DeskVisitor } from '@glen/contract';
import { wallClock } from '../../app/clock.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { inputClass } from '../../ui/Field.js';
import { Column, Who } from './Column.js';
import { WhoIsThis } from './WhoIsThis.js';
import type { Desk, DeskActions } from './useDesk.js';

/** Turning away, with a word that the visitor reads at the door. */
function TurnAway({
  visitor,
  onDone,
  act,
}: {
  visitor: DeskVisitor;
  onDone: () => void;
  act: DeskActions;
}) {
  const { register, submit } = useServerForm<{ word: string }, { word: string }, void>({
    start: { word: '' },
    send: async ({ word }) => {
      if (await act.turnAway(visitor.id, word)) onDone();
      return {};
    },
    onDone: () => {},
  });
  return (
    <form className="mt-1 flex w-full flex-wrap gap-2" noValidate onSubmit={submit}>
      <input
        autoFocus
        aria-label={`A word for ${visitor.name}`}
        placeholder="A word for them, if you like"
        maxLength={200}
        className={`${inputClass} min-w-0 flex-1 basis-40 !py-1`}
        {...register('word')}
        onKeyDown={(e) => {
          if (e.key === 'Escape') onDone();
        }}
      />
      <Button type="submit" kind="danger">
        Turn away
      </Button>
      <Button onClick={onDone}>Let wait</Button>
    </form>
  );
}

function Waiting({
  visitor,
  desk,
  act,
  zone,
}: {
  visitor: DeskVisitor;
  desk: Desk;
  act: DeskActions;
  zone: string;
}) {
  const [turning, setTurning] = useState(false);
  return (
    <Who
      visitor={visitor}
      below={<WhoIsThis visitor={visitor} desk={desk} act={act} />}
      more={
        <>
          since {visitor.knockedAt && wallClock(visitor.knockedAt, zone).time};{' '}
          {desk.slots ? 'people come in by their slots' : lobbyReason(desk.rules, visitor)}
        </>
      }
    >
      {turning ? (
        <TurnAway visitor={visitor} act={act} onDone={() => setTurning(false)} />
      ) : (
        <>
          <Button onClick={() => act.letIn(visitor.id)} aria-label={`Let ${visitor.name} in`}>
            Let in
          </Button>
          <Button
            kind="danger-link"
            onClick={() => setTurning(true)}
            aria-label={`Turn ${visitor.name} away`}
          >
            Turn away…
          </Button>
        </>
      )}
    </Who>
  );
}

/** Who waits for a seat in a full room. */
function Line({ desk: { inLine, capacity } }: { desk: Desk }) {
  if (inLine === 0) return null;
  return (
    <p className="my-2 font-semibold">
      {inLine === 1 ? 'One waits' : `${inLine} wait`} for a seat: the room holds {capacity}, and all
      are taken. They come in by themselves, in their order.
    </p>
  );
}

/** Who waits, who was sent off, who was brought in and has not come. */
export function Lobby({ desk, act, zone }: { desk: Desk; act: DeskActions; zone: string }) {
  const ofRoll = desk.waiting.filter((v) => v.onRoll).length;
  const action = desk.waiting.length > 0 && (
    <span className="flex flex-wrap justify-end gap-2">
      {!desk.slots && ofRoll > 0 && ofRoll < desk.waiting.length && (
        <Button kind="act" onClick={() => act.letAllIn('roll')}>
          Let the roll in ({ofRoll})
        </Button>
      )}
      <Button
        kind={!desk.slots && ofRoll === desk.waiting.length ? 'act' : 'plain'}
        onClick={() => act.letAllIn()}
      >
        Let all in
      </Button>
    </span>
  );
  return (
    <Column title="In the lobby" count={desk.waiting.length} action={action}>
      {desk.waiting.length === 0 && <p className="text-soft">Nobody knocks.</p>}
      <Line desk={desk} />
      <ul>
        {desk.waiting.map((v) => (
          <Waiting key={v.id} visitor={v} desk={desk} act={act} zone={zone} />
        ))}
      </ul>
      {desk.away.length > 0 && (
        <>
          <h3 className="mt-5 text-sm text-soft">
            Turned away or {desk.pastedRoom ? 'kept out' : 'put out'}
          </h3>
          <ul>
            {desk.away.map((v) => (
              <Who key={v.id} visitor={v}>
                <Button onClick={() => act.letBack(v.id)} aria-label={`Let ${v.name} back`}>
                  Let back
                </Button>
              </Who>
            ))}
          </ul>
        </>
      )}
      {desk.invited.length > 0 && (
        <>
          <h3 className="mt-5 text-sm text-soft">Brought in</h3>
          <ul>
            {desk.invited.map((i) => (
              <li key={i.id} className="border-t border-line py-1.5 break-words">
                {i.name}
                {!i.ofSchool && (
                  <span className="text-sm text-soft"> · from outside the school</span>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
    </Column>
  );
}
