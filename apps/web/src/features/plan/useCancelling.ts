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

function cancelledInWords(s: Session, isSeries: boolean, scope: Scope): string {
  const date = dateInWords(s.date);
  if (!isSeries || scope === 'one') return fill(say.cancelledTitleDate, { title: s.title, date });
  return fill(say.cancelledTitleWhat, {
    title: s.title,
    what: scope === 'whole' ? say.theWholeSeries : fill(say.fromDateOn, { date }),
  });
}

/** Cancels a saved session or holds it after all; each can be taken back. */
export function useCancelling(form: SheetForm) {
  const { scope, isSeries, setProblem } = form;
  const navigate = useNavigate();
  const [fetchSession] = api.useLazySessionQuery();
  const { change: changeSessions } = useChanges();

  const changeThem = async (
    session: Session,
    change: { kind: 'restore' | 'remove' } | { kind: 'cancel'; note?: string },
    label: string,
  ): Promise<boolean> => {
    const { seriesId, version, key } = session;
    const failure = await changeSessions(
      [{ seriesId, version, key, scope: isSeries ? scope : 'one', change }],
      label,
    );
    if (failure) setProblem(failure);
    return !failure;
  };

  return {
    /** `reason`: why, as its readers are told. */
    cancel: async (session: Session, reason = ''): Promise<void> => {
      const label = cancelledInWords(session, isSeries, scope);
      if (await changeThem(session, cancelFor(reason), label))
        void navigate(`/classes/${session.classId}`);
    },
    /** Takes it off the books as if it had never been. */
    remove: async (session: Session): Promise<void> => {
      const label = cancelledInWords(session, isSeries, scope).replace('Cancelled', 'Removed');
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
