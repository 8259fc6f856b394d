import { reviewInvitation } from '@glen/core';
import { useNoteActions } from '../../app/useNoteActions.js';
import { Button } from '../../ui/Button.js';
import { NoteList } from '../../ui/Margin.js';
import { PickOne } from '../../ui/PickOne.js';
import { FORMS, type Form, type useInvitation } from './useInvitation.js';
import * as say from './words.js';

type Composing = ReturnType<typeof useInvitation>;

const COPY_WORDS: Record<Form, string> = say.copyWords;

const WhatIsCopied = ({ form, parts, rendered }: Composing) => (
  <section
    aria-label={say.whatWillBeCopied}
    tabIndex={0}
    className="max-h-64 min-h-40 overflow-auto rounded-small border border-edge bg-paper p-4 break-words"
  >
    {parts.length === 0 && <p className="text-soft">{say.nothingIsChosen}</p>}
    {form === 'rich' ? (
      // renderInvitation escapes everything typed; what it gives holds only its own marks.
      <div
        className="[&_a]:text-loch-deep [&_a]:underline [&_p+p]:mt-2"
        dangerouslySetInnerHTML={{ __html: rendered.html }}
      />
    ) : (
      <pre className="font-mono text-sm whitespace-pre-wrap">{rendered[form]}</pre>
    )}
  </section>
);

/** The invitation as it will be copied, what needs thought about it, and copying it. */
export function InvitationShown({ composing }: { composing: Composing }) {
  const { parts, facts, readers, form, setForm, toggle, copy, rollNotes } = composing;
  const act = useNoteActions();
  return (
    <div className="grid min-w-0 content-start gap-3">
      <PickOne label={say.form} value={form} choices={FORMS} onChange={setForm} />
      <WhatIsCopied {...composing} />
      <NoteList
        notes={[...rollNotes, ...reviewInvitation(parts, facts, readers)]}
        onAction={(action) =>
          action.name === 'knock-until-roll'
            ? act(action)
            : toggle('code', action.name === 'put-in-code')
        }
      />
      <div>
        <Button kind="act" disabled={parts.length === 0} onClick={() => void copy()}>
          {COPY_WORDS[form]}
        </Button>
      </div>
    </div>
  );
}
