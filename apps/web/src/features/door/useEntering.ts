import { useEffect, useRef, useState } from 'react';
import type { Answer, Me, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { goesOnByItself } from '../entry/doorWords.js';
import { useKept } from './useKept.js';

type Door = Answer<'door'>;

const isAboutCode = (reason: string): boolean =>
  reason === 'code-needed' || reason === 'code-wrong';

interface Visit {
  me: Me;
  code: string;
  door: Door;
  onBack: () => void;
}

/** What somebody types at the door, kept while the page is reloaded, and the way in. */
function useGoIn(code: string) {
  const [enter, { isLoading }] = api.useEnterDoorMutation();
  const [problem, setProblem] = useState<Problem>();
  const [isGone, setGone] = useState(false);
  const [name, setName] = useKept(`name:${code}`);
  const [entryCode, setEntryCode] = useKept(`entry-code:${code}`);
  const [codeProblem, setCodeProblem] = useState<string>();

  const goIn = async (): Promise<void> => {
    setProblem(undefined);
    setCodeProblem(undefined);
    const { data, error } = await enter({
      params: { code },
      body: { ...(name ? { name } : {}), ...(entryCode ? { entryCode } : {}) },
    });
    if (error) return setProblem(problemOf(error));
    if (data.go) {
      setGone(true);
      window.location.assign(data.go);
    } else if (isAboutCode(data.decision.reason))
      setCodeProblem('That code does not fit. Compare it with what was sent with the link.');
  };
  const typed = { name, setName, entryCode, setEntryCode };
  return { typed, goIn, isLoading, problem, codeProblem, isGone, setGone };
}

/** The way through a door: by hand, and by itself for whoever waited. */
export function useEntering({ me, code, door, onBack }: Visit) {
  const entering = useGoIn(code);
  const { goIn, isGone, setGone } = entering;
  const { outcome, reason } = door.decision;
  const asksCode = isAboutCode(reason);
  const mayGo = outcome === 'enter' || outcome === 'lobby';
  const asksName = me.account === null && (mayGo || asksCode);
  const isReady = outcome === 'enter' || (outcome === 'lobby' && !door.knocked);

  // Coming back by the browser's own button finds the page as it was left: then it is a door again.
  useEffect(() => {
    const back = (event: PageTransitionEvent): void => {
      if (!event.persisted) return;
      setGone(false);
      onBack();
    };
    window.addEventListener('pageshow', back);
    return () => window.removeEventListener('pageshow', back);
  }, [onBack, setGone]);

  // Whoever waited here goes on without another press: when it opens, when a host comes, when let in.
  const waited = useRef(false);
  useEffect(() => {
    if (goesOnByItself(reason) || door.knocked) waited.current = true;
    else if (isReady && waited.current && !isGone && me.account) {
      waited.current = false;
      void goIn();
    }
  });
  return { ...entering, asksCode, asksName, isReady };
}

export type Entering = ReturnType<typeof useEntering>;
