import { useEffect, useRef, useState } from 'react';
import type { Answer, Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { restartLive } from '../../app/live.js';
import { useServerForm, wrongAt } from '../../app/useServerForm.js';
import { goesOnByItself } from '../entry/doorWords.js';
import { keepHere, keptHere } from './keptHere.js';
import * as say from './words.js';

type Door = Answer<'door'>;

const isAboutCode = (reason: string): boolean =>
  reason === 'code-needed' || reason === 'code-wrong';

interface Visit {
  me: Me;
  code: string;
  door: Door;
  onBack: () => void;
}

interface Typed {
  name: string;
  entryCode: string;
  watchOnly: boolean;
}

/** Somebody who waits in line says so again and again, so that no seat is kept for a page that is gone. */
const STILL_HERE_MS = 25_000;

/** What somebody types at the door, kept while the page is reloaded, and the way in. */
function useGoIn(code: string, isNobody: boolean, isFull: boolean) {
  const [enter] = api.useEnterDoorMutation();
  const [isGone, setGone] = useState(false);
  const names = { name: `name:${code}`, entryCode: `entry-code:${code}` };
  const form = useServerForm<Typed, Typed, Answer<'enterDoor'>>({
    start: { name: keptHere(names.name), entryCode: keptHere(names.entryCode), watchOnly: false },
    send: (typed) =>
      enter({
        params: { code },
        body: {
          ...(typed.name ? { name: typed.name } : {}),
          ...(typed.entryCode ? { entryCode: typed.entryCode } : {}),
          ...(typed.watchOnly ? { watchOnly: true } : { wait: isFull }),
        },
      }),
    onDone: ({ go, decision }) => {
      if (go) {
        setGone(true);
        window.location.assign(go);
      } else if (isAboutCode(decision.reason))
        form.refuse(wrongAt('entryCode', say.thatCodeDoesNotFit));
      // Whoever has no account is known by their browser from now on: only a new stream brings what is meant for it.
      else if (isNobody) restartLive();
    },
  });
  const { name, entryCode } = form.watch();
  useEffect(() => keepHere(names.name, name), [names.name, name]);
  useEffect(() => keepHere(names.entryCode, entryCode), [names.entryCode, entryCode]);
  /** As whoever pressed chose; nobody who waited is taken in to watch only by themselves. */
  const go = (watchOnly = false): void => {
    form.setValue('watchOnly', watchOnly);
    form.submit();
  };
  return { ...form, go, isGone, setGone };
}

/** The way through a door: by hand, and by itself for whoever waited. */
export function useEntering({ me, code, door, onBack }: Visit) {
  const entering = useGoIn(code, me.account === null, door.decision.reason === 'full');
  const { go, isGone, setGone } = entering;
  const { outcome, reason } = door.decision;
  const asksCode = isAboutCode(reason);
  const mayGo = outcome === 'enter' || outcome === 'lobby';
  const isFull = reason === 'full';
  const asksName = me.account === null && (mayGo || asksCode || isFull || door.mayWatch);
  const isReady = outcome === 'enter' || (outcome === 'lobby' && !door.knocked);
  /** A line can be waited in, and they do not yet. */
  const mayWait = isFull && !door.inLine;

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
  const wasInLine = useRef(false);
  const goNow = useRef(go);
  useEffect(() => {
    goNow.current = go;
  });
  useEffect(() => {
    if (goesOnByItself(reason) || door.knocked) waited.current = true;
    else if (isReady && waited.current && !isGone && (me.account || wasInLine.current)) {
      waited.current = false;
      wasInLine.current = false;
      go();
    }
  });
  useEffect(() => {
    if (!door.inLine) return undefined;
    wasInLine.current = true;
    const again = setInterval(() => goNow.current(), STILL_HERE_MS);
    return () => clearInterval(again);
  }, [door.inLine]);
  return { ...entering, asksCode, asksName, isReady, mayWait };
}

export type Entering = ReturnType<typeof useEntering>;
