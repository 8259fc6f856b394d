import { notesForEmptyRoll, resolveRules, type RuleLayer } from '@glen/core';
import type { ClassItem } from '@glen/contract';
import { api } from '../../app/api.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { Button } from '../../ui/Button.js';
import { Empty } from '../../ui/States.js';
import * as say from './words.js';

interface EmptyRollProps {
  classPeriod: ClassItem;
  mayEdit: boolean;
}

/** Nobody is on the roll: who gets in meanwhile, and what mends it where that is nobody. */
export function EmptyRoll({ classPeriod: { id, rollSize }, mayEdit }: EmptyRollProps) {
  const { data } = api.useRulesQuery({ params: { classId: id } });
  const act = useNoteActions();
  const whoMayEnter = data && resolveRules(data.layers as RuleLayer[]).rules.whoMayEnter;
  const [note] = whoMayEnter ? notesForEmptyRoll({ classId: id, rollSize, whoMayEnter }) : [];
  return (
    <Empty title={say.nobodyOnTheRollYet}>
      <p>{note?.text}</p>
      {mayEdit &&
        note?.actions?.map((action) => (
          <Button key={action.name} kind="link" onClick={() => act(action)}>
            {action.label}
          </Button>
        ))}
    </Empty>
  );
}
