import { AsyncLocalStorage } from 'node:async_hooks';

/** Who acts on somebody's behalf while a request is answered, by their person's id. */
const helping = new AsyncLocalStorage<number>();

/** Whoever does now what is being done, where that is on somebody's behalf. */
export const helperNow = (): number | null => helping.getStore() ?? null;

/** Answers a request by whoever acts on somebody's behalf, so that what is done is signed by both. */
export const asHelper = <T>(helper: number | null, work: () => Promise<T>): Promise<T> =>
  helper === null ? work() : helping.run(helper, work);
