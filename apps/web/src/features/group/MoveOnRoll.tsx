import { useState } from 'react';
import { areOffice, classTitle } from '@glen/core/light';
import type { ClassItem } from '@glen/contract';
import { api } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { ChoicePart } from '../../ui/choices.js';
import { hosts } from '../school/mayEdit.js';
import type { Leaving } from './useLeaving.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

interface MoveProps {
  classId: number;
  person: { id: number; name: string };
  leaving: Leaving;
  onClose: () => void;
}

/** The other class periods whose rolls one keeps. */
function useOthers(classId: number): ClassItem[] {
  const { data: me } = api.useMeQuery();
  const { data } = api.useClassesQuery();
  const isOffice = areOffice(me?.person?.roles ?? []);
  return (data?.classes ?? []).filter((c) => c.id !== classId && (isOffice || hosts(c)));
}

/** Moving somebody to another class period's roll. */
export function MoveOnRoll({ classId, person, leaving, onClose }: MoveProps) {
  const others = useOthers(classId);
  const [to, setTo] = useState('');
  const chosen = others.find((c) => String(c.id) === to);
  const move = (): void => {
    onClose();
    void leaving.move(person, chosen!);
  };
  return (
    <div
      role="group"
      aria-label={fill(say.movingPerson, { person: person.name })}
      className="rounded-small bg-shade p-3"
    >
      {others.length === 0 ? (
        <p>{say.thereIsNoOtherClass}</p>
      ) : (
        <p className="leading-sentence">
          <Said
            as={say.moveThemToGroups}
            where={
              <ChoicePart
                label={say.whereTo}
                value={to}
                onChange={setTo}
                choices={others.map((c) => ({ value: String(c.id), label: classTitle(c) }))}
              />
            }
          />
        </p>
      )}
      <p className="mt-2 flex flex-wrap gap-3">
        <Button disabled={!chosen} onClick={move}>
          {say.moveThem}
        </Button>
        <Button onClick={onClose}>{say.leaveIt}</Button>
      </p>
    </div>
  );
}
