import { useEffect, useRef, useState } from 'react';
import type { LinkDetail } from '@glen/contract';
import { toast } from '../../ui/toast.js';
import { api, problemOf } from '../../app/api.js';
import * as say from './words.js';

interface Sent {
  data?: LinkDetail | undefined;
  error?: unknown;
}

const doneIn = ({ lookedAt }: LinkDetail): string[] =>
  (lookedAt?.checks ?? []).filter(({ done }) => done).map(({ key }) => key);

/**
 * What has been looked at in a link's room, and who has host's powers there. A tick shows at once; what is changed is sent
 * one after another, each with the version that the one before came to. What is refused goes back to how things stand.
 */
export function useLookedAt(link: LinkDetail) {
  const [look] = api.useLookAtRoomMutation();
  const [ticked, setTicked] = useState(doneIn(link));
  const now = useRef(link);
  const sending = useRef(Promise.resolve());
  useEffect(() => {
    if (link.version < now.current.version) return;
    now.current = link;
    setTicked(doneIn(link));
  }, [link]);

  /** Sends after whatever was sent before, with the version that came of it. */
  const send = (what: { ticked: string[] } | { powers: string }): Promise<Sent> => {
    const sent = sending.current.then(async (): Promise<Sent> => {
      const { id: linkId, version } = now.current;
      const answer = await look({ params: { linkId }, body: { version, ...what } });
      if (answer.data) now.current = answer.data;
      return answer;
    });
    sending.current = sent.then(() => {});
    return sent;
  };
  const tick = async (key: string, isDone: boolean): Promise<void> => {
    const others = ticked.filter((k) => k !== key);
    const keys = isDone ? [...others, key] : others;
    setTicked(keys);
    const { error } = await send({ ticked: keys });
    if (!error) return;
    toast.error(problemOf(error)?.title ?? say.thatDidNotWork);
    setTicked(doneIn(now.current));
  };
  return {
    ticked,
    tick: (key: string, isDone: boolean): void => void tick(key, isDone),
    notePowers: (powers: string): Promise<Sent> => send({ powers }),
  };
}
