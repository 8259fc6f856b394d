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
import { fill, many } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

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
        aria-label={fill(say.aWordFor, { visitor: visitor.name })}
        placeholder={say.aWordForThem}
        maxLength={200}
        className={`${inputClass} min-w-0 flex-1 basis-40 !py-1`}
        {...register('word')}
        onKeyDown={(e) => {
          if (e.key === 'Escape') onDone();
        }}
      />
      <Button type="submit" kind="danger">
        {say.turnAway}
      </Button>
      <Button onClick={onDone}>{say.letWait}</Button>
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
          <Said
            as={say.sinceKnockedAtLobbyReason}
            knockedAt={visitor.knockedAt && wallClock(visitor.knockedAt, zone).time}
            lobbyReason={desk.slots ? say.peopleCome : lobbyReason(desk.rules, visitor)}
          />
        </>
      }
    >
      {turning ? (
        <TurnAway visitor={visitor} act={act} onDone={() => setTurning(false)} />
      ) : (
        <>
          <Button
            onClick={() => act.letIn(visitor.id)}
            aria-label={fill(say.letInVisitor, { visitor: visitor.name })}
          >
            {say.letInShort}
          </Button>
          <Button
            kind="danger-link"
            onClick={() => setTurning(true)}
            aria-label={fill(say.turnAwayVisitor, { visitor: visitor.name })}
          >
            {say.turnAwayDots}
          </Button>
        </>
      )}
    </Who>
  );
}

/** Who waits for a seat in a full room. */
function Line({ desk: { inLine, capacity } }: { desk: Desk }) {
  if (inLine === 0) return null;
  return <p className="my-2 font-semibold">{many(say.waitForASeat, inLine, { capacity })}</p>;
}

/** Who was turned away, each with the way back. */
const Away = ({ desk, act }: { desk: Desk; act: DeskActions }) => (
  <>
    <h3 className="mt-5 text-sm text-soft">
      {desk.pastedRoom ? say.turnedAwayOrKeptOut : say.turnedAwayOrPutOut}
    </h3>
    <ul>
      {desk.away.map((v) => (
        <Who key={v.id} visitor={v}>
          <Button
            onClick={() => act.letBack(v.id)}
            aria-label={fill(say.letBack, { name: v.name })}
          >
            {say.letBackShort}
          </Button>
        </Who>
      ))}
    </ul>
  </>
);

/** Who was brought in and has not come. */
const BroughtIn = ({ invited }: Pick<Desk, 'invited'>) => (
  <>
    <h3 className="mt-5 text-sm text-soft">{say.broughtIn}</h3>
    <ul>
      {invited.map((i) => (
        <li key={i.id} className="border-t border-line py-1.5 break-words">
          {i.name}
          {!i.ofSchool && <span className="text-sm text-soft"> {say.fromOutsideTheSchool2}</span>}
        </li>
      ))}
    </ul>
  </>
);

/** On a phone: above the places, as wide as the page, as long as anybody waits. */
const UNDER_THE_THUMB =
  'max-half:fixed max-half:inset-x-0 max-half:bottom-14 max-half:z-20 max-half:flex-nowrap max-half:border-t max-half:border-line max-half:bg-sheet max-half:p-2.5 max-half:shadow-soft max-half:*:flex-1';

/** Who waits, who was sent off, who was brought in and has not come. */
export function Lobby({ desk, act, zone }: { desk: Desk; act: DeskActions; zone: string }) {
  const ofRoll = desk.waiting.filter((v) => v.onRoll).length;
  const action = desk.waiting.length > 0 && (
    <span className={`flex flex-wrap justify-end gap-2 ${UNDER_THE_THUMB}`}>
      {!desk.slots && ofRoll > 0 && ofRoll < desk.waiting.length && (
        <Button kind="act" onClick={() => act.letAllIn('roll')}>
          {fill(say.letTheRollIn, { ofRoll })}
        </Button>
      )}
      <Button
        kind={!desk.slots && ofRoll === desk.waiting.length ? 'act' : 'plain'}
        onClick={() => act.letAllIn()}
      >
        {say.letAllIn}
      </Button>
    </span>
  );
  return (
    <Column title={say.inTheLobbyTitle} count={desk.waiting.length} action={action}>
      {desk.waiting.length === 0 && <p className="text-soft">{say.nobodyKnocks}</p>}
      <Line desk={desk} />
      <ul>
        {desk.waiting.map((v) => (
          <Waiting key={v.id} visitor={v} desk={desk} act={act} zone={zone} />
        ))}
      </ul>
      {desk.away.length > 0 && <Away desk={desk} act={act} />}
      {desk.invited.length > 0 && <BroughtIn invited={desk.invited} />}
    </Column>
  );
}
