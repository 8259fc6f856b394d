/** Writes that the server has not answered yet. */
const underWay = new Set<Promise<unknown>>();

/** Hands a write on, and remembers it until it is answered. */
export function remembered<T>(write: Promise<T>): Promise<T> {
  underWay.add(write);
  void write.finally(() => underWay.delete(write)).catch(() => undefined);
  return write;
}

/** Resolves once nothing is being written, and whoever waited for an answer has taken it. */
export async function allWritten(): Promise<void> {
  do {
    await Promise.allSettled(underWay);
    await new Promise((resolve) => {
      setTimeout(resolve);
    });
  } while (underWay.size > 0);
}
