import {
  GlenInputError,
  classTitle,
  planForClass,
  type NoteAction,
  type SchoolCalendar,
  type SessionPlan,
} from '@glen/core';
import type { ClassItem } from '@glen/contract';
import { NoteList } from '../../ui/Margin.js';
import { useDryRun } from './useDryRun.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

interface CopyTriedProps {
  plan: SessionPlan;
  of: ClassItem;
  school: SchoolCalendar;
  now: string;
  from: string;
  except: string[];
  /** Leaves dates out of every copy. */
  leaveOut: (keys: string[]) => void;
}

/** The plan as a copy would have it; nothing where none of it is left from that day on. */
function copied({ plan, of, school, from, except }: CopyTriedProps): SessionPlan | null {
  try {
    return planForClass(plan, of.period, school, { from, except });
  } catch (error) {
    if (error instanceof GlenInputError) return null;
    throw error;
  }
}

/** What a copy would do in one class period, before it is made: its dates, what they clash with. */
export function CopyTried(props: CopyTriedProps) {
  const { of, school, now, leaveOut } = props;
  const plan = copied(props);
  const around = { school, of, linkId: null, now, editing: null, kept: [], together: [] };
  const { run, notes } = useDryRun(plan, around);
  if (!plan)
    return (
      <p className="text-md text-soft">
        {fill(say.nothingIsLeftFromThen, { classTitle: classTitle(of) })}
      </p>
    );
  if (!run) return <NoteList notes={notes} />;
  const open = notes.filter((note) => note.severity === 'wrong' || note.severity === 'careful');
  // Of several copies at once only whole dates are left out; the rest is settled in each by itself.
  const shown = open.map((note) => ({
    ...note,
    actions: (note.actions ?? []).filter((action) => action.name === 'skip-date'),
  }));
  const act = ({ key, keys = key ? [key] : [] }: NoteAction): void => leaveOut(keys);
  return (
    <div className="grid gap-2">
      <p className="text-md">
        <b>{classTitle(of)}</b>: {many(say.sessionsCounted, run.held)}. {run.words}.
      </p>
      <NoteList notes={shown} onAction={act} />
    </div>
  );
}
