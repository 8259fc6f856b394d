import { useEffect, useRef, useState } from 'react';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { draftFrom, type Draft } from './firstDraft.js';

type Stage = Answer<'moveIn'>;

/** So long after the last keystroke what was typed is kept. */
const KEEP_AFTER_MS = 600;

/** What is typed while moving in: kept at the server as it is typed, so that it waits on any machine. */
export function useMoveInDraft(token: string, stage: Stage) {
  const [keep] = api.useKeepMoveInMutation();
  const [draft, setDraft] = useState(() => draftFrom(stage));
  const [isTouched, setIsTouched] = useState(false);
  const [theirs, setTheirs] = useState<Stage>();
  const version = useRef(stage.version);
  /** One is kept after the other, each with the version that the one before came to. */
  const before = useRef<Promise<void>>(Promise.resolve());

  const keepNow = (what: Draft): Promise<void> => {
    before.current = before.current.then(async () => {
      const body = { version: version.current, draft: what };
      const { data, error } = await keep({ params: { token }, body });
      if (data) version.current = data.version;
      const problem = problemOf(error);
      if (problem?.status === 409) setTheirs(problem.current as Stage);
    });
    return before.current;
  };
  const latest = useRef(keepNow);
  latest.current = keepNow;
  useEffect(() => {
    if (!isTouched) return;
    const timer = setTimeout(() => void latest.current(draft), KEEP_AFTER_MS);
    return () => clearTimeout(timer);
  }, [draft, isTouched]);

  const change = <P extends keyof Draft>(part: P, what: Partial<Draft[P]>): void => {
    setIsTouched(true);
    setDraft((was) => ({ ...was, [part]: { ...was[part], ...what } }));
  };
  return {
    draft,
    change,
    keepNow: () => keepNow(draft),
    /** How it stands where somebody else types too. */
    theirs,
    takeTheirs: () => {
      version.current = theirs!.version;
      setDraft(draftFrom(theirs!));
      setTheirs(undefined);
    },
    keepMine: () => {
      version.current = theirs!.version;
      setTheirs(undefined);
      void keepNow(draft);
    },
  };
}

export type MovingIn = ReturnType<typeof useMoveInDraft>;
