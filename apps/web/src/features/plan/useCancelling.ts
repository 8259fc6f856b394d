import { useNavigate } from 'react-router';
import { dateInWords } from '@glen/core';
import type { Session } from '@glen/contract';
import { api } from '../../app/api.js';
import { cancelFor } from './ReasonField.js';
import type { Scope } from './sheetDraft.js';
import { useChanges } from './useChanges.js';
import type { SheetForm } from './useSheetForm.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** What was done with how much of a series. */
const DONE = {
  cancel: { one: say.cancelledTitleDate, whole: say.cancelledWhole, onwards: say.cancelledFrom },
  remove: { one: say.removedOne, whole: say.removedWhole, onwards: say.removedFrom },
} as const;

function doneInWords(done: keyof typeof DONE, s: Session, scope: Scope): string {
  return fill(DONE[done][scope], { title: s.title, date: dateInWords(s.date) });
}

/** Cancels a saved session or holds it after all; each can be taken back. */
export function useCancelling(form: SheetForm) {
  const { scope, isSeries, setProblem } = form;
  const reach = isSeries ? scope : 'one';
  const navigate = useNavigate();
  const [fetchSession] = api.useLazySessionQuery();
  const { change: changeSessions } = useChanges();

  const changeThem = async (
    session: Session,
    change: { kind: 'restore' | 'remove' } | { kind: 'cancel'; note?: string },
    label: string,
  ): Promise<boolean> => {
    const { seriesId, version, key } = session;
    const failure = await changeSessions([{ seriesId, version, key, scope: reach, change }], label);
    if (failure) setProblem(failure);
    return !failure;
  };

  return {
    /** `reason`: why, as its readers are told. */
    cancel: async (session: Session, reason = ''): Promise<void> => {
      const label = doneInWords('cancel', session, reach);
      if (await changeThem(session, cancelFor(reason), label))
        void navigate(`/classes/${session.classId}`);
    },
    /** Takes it off the books as if it had never been. */
    remove: async (session: Session): Promise<void> => {
      const label = doneInWords('remove', session, reach);
      if (await changeThem(session, { kind: 'remove' }, label))
        void navigate(`/classes/${session.classId}`);
    },
    /** Holds a cancelled session after all. */
    hold: async (session: Session): Promise<void> => {
      if (!(await changeThem(session, { kind: 'restore' }, say.itIsHeldAfterAll))) return;
      const { data } = await fetchSession({
        params: { seriesId: session.seriesId },
        query: { on: session.key },
      });
      if (data) form.setRead(data.session);
    },
  };
}

export type Cancelling = ReturnType<typeof useCancelling>;
