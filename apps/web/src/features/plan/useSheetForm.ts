import { useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { MANY_SESSIONS, type NoteAction, type SchoolCalendar, type SessionPlan } from '@glen/core';
import type { Answer, ClassItem, Session } from '@glen/contract';
import { useServerForm } from '../../app/useServerForm.js';
import {
  AT_A_TIME,
  draftOfSession,
  planOfDraft,
  type Scope,
  type SheetDraft,
} from './sheetDraft.js';
import { isSeriesOf, planInScope } from './sheetPlans.js';
import { tryableSlots } from './slotsDraft.js';
import { useDryRun } from './useDryRun.js';
import { useSheetSaving, type Wish } from './useSaveSheet.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

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
  const others = draft.together.join();
  const together = useMemo(
    () => at.classes.filter((c) => others.split(',').includes(String(c.id))),
    [at.classes, others],
  );
  // Words alone change nothing of the plan.
  const asText = JSON.stringify(planOfDraft(draft));
  const plan = useMemo(() => JSON.parse(asText) as SessionPlan, [asText]);
  const tried = useDryRun(plan, {
    school: at.school,
    of: classItem,
    linkId: meetsOn(read, draft, classItem),
    now: at.now,
    editing: read && { seriesId: read.seriesId, ...(isOne ? { sessionId: read.id } : {}) },
    kept: draft.kept,
    together,
    slots: tryableSlots(draft),
  });
  const held = tried.run?.held ?? 0;
  const holdsNothing = tried.run !== undefined && held === 0;
  return { classItem, tried, held, holdsNothing };
}

/** The sheet's fields, sent as somebody wishes: on the books, as a draft, over a version. */
function useSheetFields(
  { start, editing }: SheetStart,
  [scope, setScope]: [Scope, (scope: Scope) => void],
  held: () => number,
) {
  const navigate = useNavigate();
  const [read, setRead] = useState(editing);
  const send = useSheetSaving();
  const wish = useRef<Wish>({ asDraft: false });
  const form = useServerForm<SheetDraft, SheetDraft, Answer<'addSession'>>({
    start,
    send: (draft) => send({ draft, read, scope, held: held(), wish: wish.current }),
    keepAs: {
      name: editing ? `session ${editing.seriesId} ${editing.key}` : 'new session',
      version: () => read?.version,
      beside: () => scope,
    },
    onDone: ({ session }) => void navigate(`/classes/${session.classId}`),
  });
  const { half } = form;
  // What was begun on an older version is saved over that one: somebody else's change since is told of.
  useEffect(() => {
    if (half === null || editing === null) return;
    if (half.beside) setScope(half.beside as Scope);
    if (half.version !== undefined) setRead({ ...editing, version: half.version });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, as the sheet comes back
  }, []);
  return {
    form,
    read,
    setRead,
    throwAway: (begunAs: Scope): void => {
      form.setProblem(undefined);
      setScope(begunAs);
      setRead(editing);
      form.throwAway();
    },
    /** Sends what stands in the sheet. */
    submitAs: (asked: Wish): void => {
      wish.current = asked;
      form.submit();
    },
    /** How it stands now, where somebody else was faster. */
    theirs: form.theirs as Session | undefined,
  };
}

/** What the sheet holds while it is written, and what it would do, at every keystroke. */
export function useSheetForm(at: SheetStart) {
  const { school, classes, editing, today } = at;
  const isSeries = isSeriesOf(editing, school);
  const [scope, setScope] = useState<Scope>(isSeries ? 'one' : 'whole');
  const [askedOnce, setAskedOnce] = useState(false);
  const { form, read, setRead, throwAway, submitAs, theirs } = useSheetFields(
    at,
    [scope, setScope],
    () => held,
  );
  const { problem, setProblem, errorAt, reset, isSending, half, leave } = form;
  const draft = form.watch();
  const isOne = isSeries && scope === 'one';
  const { classItem, tried, held, holdsNothing } = useTried(draft, read, isOne, at);
  const change = (part: Partial<SheetDraft>): void => {
    setProblem(undefined);
    setAskedOnce(false);
    form.change(part);
  };
  const fillIn = (next: SheetDraft): void => {
    setProblem(undefined);
    reset(next);
  };
  const nothing = fill(say.noSessionWouldBeHeld, { text: tried.notes[0]?.text ?? '' });
  // What is said of no field is said of the plan: the sentence has it.
  const isOfSentence = problem?.errors !== undefined && !theirs;
  return {
    ...{ school, classes, today, classItem, draft, change, read, setRead, scope, isSeries, isOne },
    ...{ tried, held, holdsNothing, askedOnce, isSending, setProblem, errorAt, theirs },
    now: at.now,
    /** What was half-written before; thrown away, the sheet begins anew. */
    half,
    throwAway: () => throwAway(isSeries ? 'one' : 'whole'),
    leave,
    /** Takes what somebody else has saved meanwhile, with mine on top where it is given. */
    takeRead: (session: Session, mine: SheetDraft = draft): void => {
      setRead(session);
      fillIn(mine);
    },
    rescope: (next: Scope): void => {
      setScope(next);
      fillIn(draftOfSession(read!, planInScope(read!, next, school), next, school.zone));
    },
    /** Saves the sheet; very many sessions are asked about first. */
    save: (wish: Wish): void => {
      if (held > MANY_SESSIONS && !askedOnce) setAskedOnce(true);
      else submitAs(wish);
    },
    /** What is wrong with the sentence. */
    message:
      errorAt('draft', 'linkId', 'together', 'slots.minutes', 'slots.gap') ??
      (isOfSentence ? problem.title : undefined) ??
      tried.problem?.message ??
      (holdsNothing ? nothing : undefined),
    /** What went wrong with the sheet as a whole. */
    trouble: isOfSentence || theirs ? undefined : problem,
    wrong: (path: string): boolean => tried.problem?.path.startsWith(path) ?? false,
    /** Leaves a date out of a series that is being made, or takes it in again. */
    toggleDate: (key: string): void => change({ except: toggled(draft.except, key) }),
    act: (action: NoteAction): void => {
      const part = remedyOf(draft, read === null, action);
      if (part) change(part);
    },
  };
}

export type SheetForm = ReturnType<typeof useSheetForm>;

/** Whether the main button may be pressed. */
export const mayPress = ({ isSending, holdsNothing }: SheetForm): boolean =>
  !isSending && !holdsNothing;

/** The link by which a session is met; null: the class period's own. */
function meetsOn(
  read: Session | null,
  draft: SheetDraft,
  { link }: ClassItem,
): SheetDraft['linkId'] {
  if (!read) return draft.linkId;
  return read.linkId === link.id ? null : read.linkId;
}

/** Remedies for a clash: they change single dates of the plan in hand. Nobody knows yet of one that is being made: its dates are left out, not called off. */
function remedyOf(
  draft: SheetDraft,
  isNew: boolean,
  { name, key, keys = key ? [key] : [], to }: NoteAction,
): Partial<SheetDraft> | null {
  const others = draft.changes.filter((c) => !keys.includes(c.key));
  if (name === 'keep-date') return { kept: [...draft.kept, ...keys] };
  if (name === 'skip-date' && isNew && draft.every !== 'once')
    return { except: [...new Set([...draft.except, ...keys])].sort() };
  if (name === 'skip-date')
    return { changes: [...others, ...keys.map((k) => ({ key: k, kind: 'cancel' as const }))] };
  if (name === 'instead-date' && to)
    return {
      except: [...new Set([...draft.except, ...keys])].sort(),
      alsoOn: [...new Set([...draft.alsoOn, to.date])].sort(),
    };
  if (name !== 'move-date' || !to) return null;
  return draft.every === 'once' && draft.alsoOn.length === 0
    ? { first: to.date, when: AT_A_TIME, time: to.time, minutes: String(to.minutes) }
    : { changes: [...others, { key: key!, kind: 'move', ...to }] };
}

/** Dates are left out of a series that is being made; of one on the books they are called off, and people are told. */
export const canLeaveOut = ({ draft, read, isOne }: SheetForm): boolean =>
  draft.except.length > 0 || (draft.every !== 'once' && read === null && !isOne);

const toggled = (dates: string[], date: string): string[] =>
  dates.includes(date) ? dates.filter((d) => d !== date) : [...dates, date].sort();
