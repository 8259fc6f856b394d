import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import type { LinkDetail } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';

const doneIn = ({ lookedAt }: LinkDetail): string[] =>
  (lookedAt?.checks ?? []).filter(({ done }) => done).map(({ key }) => key);

/**
 * Ticks what has been looked at in a link's room. A tick shows at once and is sent after those before it, each with the
 * version that the one before came to; one that is refused goes back to how things stand.
 */
export function useTicks(link: LinkDetail) {
  const [look] = api.useLookAtRoomMutation();
  const [ticked, setTicked] = useState(doneIn(link));
  const now = useRef(link);
  const sending = useRef(Promise.resolve());
  useEffect(() => {
    if (link.version < now.current.version) return;
    now.current = link;
    setTicked(doneIn(link));
  }, [link]);

  const send = async (keys: string[]): Promise<void> => {
    const { id: linkId, version } = now.current;
    const { data, error } = await look({ params: { linkId }, body: { version, ticked: keys } });
    if (data) now.current = data;
    else {
      toast.error(problemOf(error)?.title ?? 'That did not work.');
      setTicked(doneIn(now.current));
    }
  };
  const tick = (key: string, isDone: boolean): void => {
    const others = ticked.filter((k) => k !== key);
    const keys = isDone ? [...others, key] : others;
    setTicked(keys);
    sending.current = sending.current.then(() => send(keys));
  };
  return { ticked, tick };
}
