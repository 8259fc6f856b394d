import type { DeskVisitor } from '@glen/contract';
import { ChoicePart } from '../../ui/choices.js';
import type { Desk, DeskActions } from './useDesk.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

interface WhoIsThisProps {
  visitor: DeskVisitor;
  desk: Desk;
  act: DeskActions;
}

const NOBODY = 'nobody';

/** Whether Glen cannot know by itself who of the roll a visitor is. */
const isUnknown = ({ onRoll, role, account }: DeskVisitor): boolean =>
  !onRoll && role === 'participant' && account !== 'school';

/**
 * A host says which of the roll somebody is who came without an account: for the register alone. It opens no door, and
 * changes nothing of what they may do.
 */
export function WhoIsThis({ visitor, desk, act }: WhoIsThisProps) {
  const { id, name, takenFor } = visitor;
  const free = [...(takenFor ? [takenFor] : []), ...desk.missing];
  if (!isUnknown(visitor) || free.length === 0) return null;
  return (
    <p className="text-sm">
      <Said
        as={say.thisIs}
        id={
          <ChoicePart
            label={fill(say.whoIs, { name })}
            value={takenFor ? String(takenFor.id) : NOBODY}
            marked={takenFor !== null}
            onChange={(chosen) => act.sayWho(id, chosen === NOBODY ? null : Number(chosen))}
            choices={[
              { value: NOBODY, label: say.nobodyOnTheRoll },
              ...free.map((p) => ({ value: String(p.id), label: p.name })),
            ]}
          />
        }
      />
    </p>
  );
}
