import type { Sent, WayBack } from '@glen/contract';
import { api } from './api.js';
import { store } from './store.js';

type Name = WayBack['endpoint'];
type Initiate = (asked: object) => ReturnType<(typeof api.endpoints)['takeBackChange']['initiate']>;

/** A call that takes a change back, as data: it can be kept, and made days later on another page. */
export const wayBack = <N extends Name>(
  endpoint: N,
  asked: {
    params?: Record<string, number | string>;
    query?: Record<string, string>;
    body?: Sent<N>;
  },
): WayBack => ({ endpoint, ...(JSON.parse(JSON.stringify(asked)) as Omit<WayBack, 'endpoint'>) });

/** Makes one such call, and answers as it was answered. */
export function sendCall({ endpoint, ...asked }: WayBack) {
  // Its parts were made for this endpoint; the server looks at them as at any call's.
  const initiate = api.endpoints[endpoint].initiate as unknown as Initiate;
  return store.dispatch(initiate(asked));
}

/** Makes the calls one after the other; the first that is refused ends it. */
export async function takeBack(calls: WayBack[]): Promise<void> {
  for (const call of calls) await sendCall(call).unwrap();
}

/** Keeps what takes a change back, under Lately; gives what to note once it was. */
export async function keepWayBack(what: string, calls: WayBack[]): Promise<() => void> {
  const kept = await store.dispatch(api.endpoints.noteLately.initiate({ body: { what, calls } }));
  const { data } = kept;
  return () => {
    if (!data) return;
    const params = { latelyId: data.id };
    void store.dispatch(api.endpoints.takenBack.initiate({ params }));
  };
}
