import { useState } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../../ui/Button.js';
import { RemovePart } from './RemovePart.js';
import { ReasonField } from './ReasonField.js';
import { cancelLabel, saveLabel } from './saveLabel.js';
import type { Cancelling } from './useCancelling.js';
import { mayPress, type SheetForm } from './useSheetForm.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface ActionsProps {
  form: SheetForm;
  cancel: Cancelling['cancel'];
  remove: Cancelling['remove'];
}

/** A session that isn't on the books yet can wait as a draft, a single one even without a date. */
function DraftButtons({ form: { draft, save, isSending } }: { form: SheetForm }) {
  return (
    <>
      <Button disabled={isSending} onClick={() => save({ asDraft: true })}>
        {say.keepAsADraft}
      </Button>
      {draft.every === 'once' && (
        <Button disabled={isSending} onClick={() => save({ asDraft: true, undated: true })}>
          {say.draftWithoutADate}
        </Button>
      )}
    </>
  );
}

function CancelButton({ form, cancel, remove }: ActionsProps) {
  const { read, isSeries, scope, now } = form;
  const [reason, setReason] = useState('');
  if (!read || read.status === 'cancelled' || read.undated) return null;
  return (
    <span className="ml-auto flex flex-wrap items-center gap-2">
      <ReasonField reason={reason} onChange={setReason} />
      <Button kind="danger" onClick={() => void cancel(read, reason)}>
        {cancelLabel(isSeries, scope)}
      </Button>
      {read.start > now && (
        <RemovePart
          linkId={read.linkId}
          draft={read.draft}
          label={isSeries && scope !== 'one' ? say.removeAllThatAreAhead : say.removeItAsIfIt}
          remove={() => void remove(read)}
        />
      )}
    </span>
  );
}

/** The sheet's buttons, the main one named by its result. */
export function SheetActions({
  form,
  cancel,
  remove,
  ask,
}: ActionsProps & { ask: string | undefined }) {
  const { draft, read, tried, held, holdsNothing, askedOnce, isSeries, isOne } = form;
  const navigate = useNavigate();
  const isOnce = draft.every === 'once';
  const mayBeDraft = !read || read.draft;
  const label = saveLabel({
    held,
    ahead: tried.run?.ahead ?? 0,
    holdsNothing,
    askedOnce,
    isNew: mayBeDraft,
    isSeries,
    isOne: isOne || isOnce,
    first: draft.first,
  });
  return (
    <>
      {askedOnce && (
        <p role="status" className="mt-4 font-semibold text-gorse-deep">
          {fill(say.thatIsSessionsPressOnce, { held })}
        </p>
      )}
      <div className="sticky bottom-0 -mx-5 mt-3 -mb-5 flex flex-wrap items-center gap-3 rounded-b-big border-t border-line bg-sheet px-5 py-3.5">
        <Button
          kind="act"
          disabled={!mayPress(form) || ask !== undefined}
          onClick={() => form.save({ asDraft: false })}
        >
          {ask ?? label}
        </Button>
        {mayBeDraft && ask === undefined && <DraftButtons form={form} />}
        <Button
          onClick={() => {
            form.leave();
            void navigate(-1);
          }}
        >
          {say.leaveIt}
        </Button>
        {tried.run && !read && !isOnce && (
          <p className="min-w-0 text-md text-soft">{tried.run.words}</p>
        )}
        <CancelButton form={form} cancel={cancel} remove={remove} />
      </div>
    </>
  );
}
