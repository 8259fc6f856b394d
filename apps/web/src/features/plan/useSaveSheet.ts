import { useNavigate } from 'react-router';
import { MANY_SESSIONS, dateInWords } from '@glen/core';
import type { Session } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { bodyOfDraft, type Scope, type SheetDraft } from './sheetDraft.js';
import { useChanges } from './useChanges.js';
import type { SheetForm } from './useSheetForm.js';

interface Wish {
  asDraft: boolean;
  /** Only of a draft: its plan waits, and nothing stands on the books. */
  undated?: boolean;
  /** The version that an edit is to replace, where it is not the one that was read. */
  version?: number;
  /** What is saved, where it is not the sheet. */
  draft?: SheetDraft;
}

/** What has come of saving a new session, for the line that offers to take it back. */
function savedInWords(session: Session, held: number, { asDraft, undated }: Wish): string {
  const many = held > 1 ? `${held} sessions` : `${dateInWords(session.date)} ${session.time}`;
  return `${asDraft ? 'Kept as a draft' : 'Scheduled'}: ${session.title}, ${undated ? 'without a date' : many}`;
}

function cancelledInWords(s: Session, isSeries: boolean, scope: Scope): string {
  const date = dateInWords(s.date);
  if (!isSeries || scope === 'one') return `Cancelled: ${s.title}, ${date}`;
  return `Cancelled: ${s.title}, ${scope === 'whole' ? 'the whole series' : `from ${date} on`}`;
}

/** Puts the sheet on the books or keeps it as a draft; either can be taken back. */
function useSave(form: SheetForm) {
  const { draft, read, scope, held, setProblem } = form;
  const navigate = useNavigate();
  const [add, adding] = api.useAddSessionMutation();
  const [edit, editing] = api.useEditSessionMutation();
  const { offerToTakeBack } = useChanges();

  const addNew = async (wish: Wish): Promise<void> => {
    const body = bodyFor(draft, wish);
    const params = { classId: draft.classId };
    const { data, error } = await add({ params, body });
    if (!data) return setProblem(problemOf(error));
    offerToTakeBack(savedInWords(data.session, held, wish), data.touched, () =>
      add({ params, body }).unwrap(),
    );
    void navigate(`/classes/${draft.classId}`);
  };

  const saveEdit = async (session: Session, wish: Wish): Promise<void> => {
    const params = { seriesId: session.seriesId };
    const body = {
      ...bodyFor(draft, wish),
      scope,
      key: session.key,
      version: wish.version ?? session.version,
    };
    const { data, error } = await edit({ params, body });
    if (!data) return setProblem(problemOf(error));
    const toast = session.draft && !wish.asDraft ? 'On the books.' : 'Changed.';
    offerToTakeBack(toast, data.touched, (versions) => {
      const version = versions.get(session.seriesId) ?? body.version;
      return edit({ params, body: { ...body, version } }).unwrap();
    });
    void navigate(`/classes/${session.classId}`);
  };

  const save = async (wish: Wish): Promise<void> => {
    if (held > MANY_SESSIONS && !form.askedOnce) return form.setAskedOnce(true);
    return read ? saveEdit(read, wish) : addNew(wish);
  };
  return { save, isSaving: adding.isLoading || editing.isLoading };
}

/** Puts the sheet on the books, keeps it as a draft, cancels it or holds it after all; each can be taken back. */
export function useSaveSheet(form: SheetForm) {
  const { scope, isSeries, setProblem } = form;
  const navigate = useNavigate();
  const [fetchSession] = api.useLazySessionQuery();
  const { change: changeSessions } = useChanges();

  const changeThem = async (
    session: Session,
    kind: 'cancel' | 'restore',
    label: string,
  ): Promise<boolean> => {
    const { seriesId, version, key } = session;
    const failure = await changeSessions(
      [{ seriesId, version, key, scope: isSeries ? scope : 'one', change: { kind } }],
      label,
    );
    if (failure) setProblem(failure);
    return !failure;
  };

  return {
    ...useSave(form),
    cancel: async (session: Session): Promise<void> => {
      const label = cancelledInWords(session, isSeries, scope);
      if (await changeThem(session, 'cancel', label)) void navigate(`/classes/${session.classId}`);
    },
    /** Holds a cancelled session after all. */
    hold: async (session: Session): Promise<void> => {
      if (!(await changeThem(session, 'restore', 'It is held after all.'))) return;
      const { data } = await fetchSession({
        params: { seriesId: session.seriesId },
        query: { on: session.key },
      });
      if (data) form.setRead(data.session);
    },
  };
}

export type SheetSaving = ReturnType<typeof useSaveSheet>;

const bodyFor = (draft: SheetDraft, { asDraft, undated = false }: Wish) => ({
  ...bodyOfDraft(draft),
  draft: asDraft,
  undated,
});
