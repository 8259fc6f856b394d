import { dateInWords } from '@glen/core';
import type { Session } from '@glen/contract';
import { api } from '../../app/api.js';
import { bodyOfDraft, type Scope, type SheetDraft } from './sheetDraft.js';
import { useChanges } from './useChanges.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

export interface Wish {
  asDraft: boolean;
  /** Only of a draft: its plan waits, and nothing stands on the books. */
  undated?: boolean;
  /** The version that an edit is to replace, where it is not the one that was read. */
  version?: number;
}

/** What has come of saving a new session, for the line that offers to take it back. */
function savedInWords(session: Session, held: number, { asDraft, undated }: Wish): string {
  const many =
    held > 1 ? fill(say.heldSessions, { held }) : `${dateInWords(session.date)} ${session.time}`;
  return `${asDraft ? say.keptAsADraft : say.scheduled}: ${session.title}, ${undated ? say.withoutADate : many}`;
}

/** A sheet that is being saved, and as what. */
interface Saving {
  draft: SheetDraft;
  /** The saved session that it changes; null: it is a new one. */
  read: Session | null;
  scope: Scope;
  held: number;
  wish: Wish;
}

/** Puts a new session on the books or keeps it as a draft; it can be taken back. */
function useAddNew() {
  const [add] = api.useAddSessionMutation();
  const { offerToTakeBack } = useChanges();
  return async ({ draft, held, wish }: Saving) => {
    const asked = { params: { classId: draft.classId }, body: bodyFor(draft, wish) };
    const answer = await add(asked);
    if (answer.data)
      offerToTakeBack(savedInWords(answer.data.session, held, wish), answer.data.touched, () =>
        add(asked).unwrap(),
      );
    return answer;
  };
}

/** Changes a saved session, or as much of its series as is meant; it can be taken back. */
function useSaveEdit() {
  const [edit] = api.useEditSessionMutation();
  const { offerToTakeBack } = useChanges();
  return async (session: Session, { draft, scope, wish }: Saving) => {
    const params = { seriesId: session.seriesId };
    const body = {
      ...bodyFor(draft, wish),
      scope,
      key: session.key,
      version: wish.version ?? session.version,
    };
    const answer = await edit({ params, body });
    const words = session.draft && !wish.asDraft ? say.scheduledNow : say.changed;
    if (answer.data)
      offerToTakeBack(words, answer.data.touched, (versions) => {
        const version = versions.get(session.seriesId) ?? body.version;
        return edit({ params, body: { ...body, version } }).unwrap();
      });
    return answer;
  };
}

/** Puts the sheet on the books or keeps it as a draft; either can be taken back. */
export function useSheetSaving() {
  const addNew = useAddNew();
  const saveEdit = useSaveEdit();
  return async (saving: Saving) => (saving.read ? saveEdit(saving.read, saving) : addNew(saving));
}

const bodyFor = (draft: SheetDraft, { asDraft, undated = false }: Wish) => ({
  ...bodyOfDraft(draft),
  draft: asDraft,
  undated,
});
