import { useState } from 'react';
import { classTitle } from '@glen/core/light';
import type { ClassItem, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface Kept {
  class: ClassItem;
  version: number;
}

/** Puts a class period away or brings it back; either can be taken back. */
export function useRest({ class: c, version }: Kept) {
  const [away, puttingAway] = api.usePutAwayClassMutation();
  const [back, bringingBack] = api.useBringBackClassMutation();
  const [problem, setProblem] = useState<Problem>();
  const params = { classId: c.id };
  const putAway = async (): Promise<void> => {
    setProblem(undefined);
    const { data, error } = await away({ params, body: { version } });
    if (!data) return setProblem(problemOf(error));
    offerUndo(fill(say.isPutAwayClassTitle, { classTitle: classTitle(c) }), () =>
      back({ params, body: { version: data.version } }).unwrap(),
    );
  };
  const bringBack = async (): Promise<void> => {
    setProblem(undefined);
    const { data, error } = await back({ params, body: { version } });
    if (!data) return setProblem(problemOf(error));
    offerUndo(fill(say.classTitleIsBack, { classTitle: classTitle(c) }), () =>
      away({ params, body: { version: data.version } }).unwrap(),
    );
  };
  return {
    problem,
    isSaving: puttingAway.isLoading || bringingBack.isLoading,
    putAway,
    bringBack,
  };
}
