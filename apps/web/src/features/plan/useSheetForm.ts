import { useMemo, useState } from 'react';
import { classTitle, readPhrase, type NoteAction, type SchoolCalendar } from '@glen/core';
import type { ClassItem, Problem, Session } from '@glen/contract';
import { messageFor } from '../../app/api.js';
import {
  AT_A_TIME,
  draftOfSession,
  fromPlan,
  planOfDraft,
  type Scope,
  type SheetDraft,
} from './sheetDraft.js';
import { isSeriesOf, planInScope } from './sheetPlans.js';
import { useDryRun } from './useDryRun.js';

export interface SheetStart {
  school: SchoolCalendar;
  classes: ClassItem[];
  start: SheetDraft;
  editing: Session | null;
  /** An instant of school time. */
  now: string;
  /** The school's local date. */
  today: string;
}

/** What would become of the draft, at every keystroke. */
function useTried(draft: SheetDraft, read: Session | null, isOne: boolean, at: SheetStart) {
  const classItem = at.classes.find((c) => c.id === draft.classId)!;
  const plan = useMemo(() => planOfDraft(draft), [draft]);
  const tried = useDryRun(plan, {
    school: at.school,
    of: classItem,
    linkId: meetsOn(read, draft, classItem),
    now: at.now,
    editing: read && { seriesId: read.seriesId, ...(isOne ? { sessionId: read.id } : {}) },
    kept: draft.kept,
  });
  const held = tried.run?.held ?? 0;
  const holdsNothing = tried.run !== undefined && held === 0;
  return { classItem, tried, held, holdsNothing };
}

/** What the sheet holds while it is written, and what it would do, at every keystroke. */
export function useSheetForm(at: SheetStart) {
  const { school, classes, start, editing, today } = at;
  const [draft, setDraft] = useState(start);
  const [read, setRead] = useState(editing);
  const isSeries = isSeriesOf(read, school);
  const [scope, setScope] = useState<Scope>(isSeries ? 'one' : 'whole');
  const [problem, setProblem] = useState<Problem>();
  const [askedOnce, setAskedOnce] = useState(false);
  const isOne = isSeries && scope === 'one';
  const { classItem, tried, held, holdsNothing } = useTried(draft, read, isOne, at);
  const change = (part: Partial<SheetDraft>): void => {
    setProblem(undefined);
    setAskedOnce(false);
    setDraft((d) => ({ ...d, ...part }));
  };
  /** Takes what somebody else has saved meanwhile, with mine on top where it is given. */
  const takeRead = (session: Session, mine?: SheetDraft): void => {
    setProblem(undefined);
    setRead(session);
    if (mine) setDraft(mine);
  };
  const rescope = (next: Scope): void => {
    setScope(next);
    setProblem(undefined);
    setDraft(draftOfSession(read!, planInScope(read!, next, school), next, school.zone));
  };
  const nothing = `No session would be held. ${tried.notes[0]?.text ?? ''}`;
  /** What is wrong with the sentence. */
  const message =
    messageFor(problem, 'plan', 'key', 'draft', 'linkId', 'together') ??
    tried.problem?.message ??
    (holdsNothing ? nothing : undefined);
  return {
    school,
    classes,
    today,
    classItem,
    draft,
    change,
    read,
    takeRead,
    setRead,
    scope,
    rescope,
    isSeries,
    isOne,
    tried,
    held,
    holdsNothing,
    askedOnce,
    setAskedOnce,
    problem,
    setProblem,
    message,
    wrong: (path: string): boolean => tried.problem?.path.startsWith(path) ?? false,
    act: (action: NoteAction): void => {
      const part = remedyOf(draft, action);
      if (part) change(part);
    },
  };
}

export type SheetForm = ReturnType<typeof useSheetForm>;

/** The link that a session meets on; null: the class period's own. */
function meetsOn(
  read: Session | null,
  draft: SheetDraft,
  { link }: ClassItem,
): SheetDraft['linkId'] {
  if (!read) return draft.linkId;
  return read.linkId === link.id ? null : read.linkId;
}

/** Remedies for a clash: they change single dates of the plan in hand. */
function remedyOf(
  draft: SheetDraft,
  { name, key, keys = key ? [key] : [], to }: NoteAction,
): Partial<SheetDraft> | null {
  const others = draft.changes.filter((c) => !keys.includes(c.key));
  if (name === 'keep-date') return { kept: [...draft.kept, ...keys] };
  if (name === 'skip-date')
    return { changes: [...others, ...keys.map((k) => ({ key: k, kind: 'cancel' as const }))] };
  if (name !== 'move-date' || !to) return null;
  return draft.every === 'once' && draft.alsoOn.length === 0
    ? { first: to.date, when: AT_A_TIME, time: to.time, minutes: String(to.minutes) }
    : { changes: [...others, { key: key!, kind: 'move', ...to }] };
}

/** The line in which a session can be typed: what it is read as goes into the sentence; the rest is not understood. */
export function usePhrase({ school, today, classes, draft, change }: SheetForm) {
  const [phrase, setPhrase] = useState('');
  const readIt = (text: string) =>
    readPhrase(text, {
      school,
      today,
      classes: classes.map((c) => ({
        id: c.id,
        title: c.title,
        period: c.period,
        letters: c.pennant.letters,
      })),
    });
  const readTyped = (text: string): void => {
    setPhrase(text);
    if (text.trim() === '') return;
    const { plan, classId } = readIt(text);
    const named = classes.find((c) => c.id === classId);
    const title = named && draft.titleIsOurs ? { title: classTitle(named) } : {};
    change({ ...fromPlan(plan), ...(named ? { classId: named.id, ...title } : {}) });
  };
  return {
    phrase,
    readTyped,
    unclear: phrase.trim() === '' ? [] : readIt(phrase).unclear,
  };
}
