import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { ClassItem, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { forClass, type AudienceDraft } from './audienceDraft.js';
import { PURPOSES } from './noted.js';

/** Stands among the purposes for words of one's own. */
export const OWN_WORDS = 'own';

interface Draft {
  purpose: string;
  /** What it is for in the teacher's words, where no known purpose fits. */
  words: string;
  label: string;
  /** The name follows the purpose until somebody types one. */
  isOwnLabel: boolean;
  shown: boolean;
  audience: AudienceDraft;
}

function beginning(start: string, classId: number): Draft {
  const everybody = forClass(classId);
  return {
    purpose: start,
    words: '',
    label: start,
    isOwnLabel: false,
    shown: true,
    audience: start === 'Lessons' ? everybody : { ...everybody, classIds: [] },
  };
}

/** A link that is being thought of: its sentence's parts, and making it. */
export function useNewLink(classPeriod: ClassItem, start: string) {
  const navigate = useNavigate();
  const [add, { isLoading }] = api.useAddLinkMutation();
  const [stop] = api.useStopLinkMutation();
  const [draft, setDraft] = useState(() => beginning(start, classPeriod.id));
  const [problem, setProblem] = useState<Problem>();
  const known = PURPOSES.find((p) => p.words === draft.purpose);
  const change = (part: Partial<Draft>): void => setDraft((d) => ({ ...d, ...part }));
  /** The name that goes with a purpose, unless there is one already. */
  const named = (label: string): Partial<Draft> => (draft.isOwnLabel ? {} : { label });

  const choosePurpose = (purpose: string): void =>
    change({ purpose, ...named(purpose === OWN_WORDS ? '' : purpose) });
  const writePurpose = (words: string): void => change({ words, ...named(words) });
  const writeLabel = (label: string): void => change({ label, isOwnLabel: true });

  const save = async (): Promise<void> => {
    setProblem(undefined);
    const { label, shown, audience } = draft;
    const { data, error } = await add({
      params: { classId: classPeriod.id },
      body: {
        label,
        purpose: known ? known.words : draft.words,
        kind: known?.kind ?? 'lesson',
        shown,
        audience,
        ...(known ? { preset: known.preset } : {}),
      },
    });
    if (!data) return setProblem(problemOf(error));
    offerUndo(`A new link: ${data.label}.`, () =>
      stop({ params: { linkId: data.id }, body: { version: data.version } }).unwrap(),
    );
    void navigate(`/classes/${classPeriod.id}/links/${data.id}`);
  };
  return {
    draft,
    known,
    problem,
    isSaving: isLoading,
    change,
    choosePurpose,
    writePurpose,
    writeLabel,
    save,
  };
}
