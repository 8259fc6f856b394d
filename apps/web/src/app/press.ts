// One press is one write, however often it has to be sent: the server does what comes with one key once.

const KEY_BYTES = 16;

/** A key that no other press has. */
export const pressKey = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(KEY_BYTES)), (byte) =>
    byte.toString(16).padStart(2, '0'),
  ).join('');

/** After these it is sent again where no answer came; whoever pressed waits no longer than that. Milliseconds. */
const PAUSES = [400, 1600];
/** What a server asks for that is there and cannot answer just now. */
const MOST_ASKED_MS = 3000;

const waited = (ms: number, signal: AbortSignal): Promise<void> =>
  new Promise((resolve, reject) => {
    const stop = (): void => {
      clearTimeout(timer);
      reject(signal.reason as Error);
    };
    const timer = setTimeout(() => {
      signal.removeEventListener('abort', stop);
      resolve();
    }, ms);
    signal.addEventListener('abort', stop);
  });

/** How long to wait before an answer is asked for again; nothing where it is one. */
function pauseAfter(response: Response, pause: number): number | undefined {
  if (response.status !== 503) return undefined;
  const asked = Number(response.headers.get('retry-after')) * 1000;
  return Math.min(MOST_ASKED_MS, Math.max(asked || 0, pause));
}

/** Sends a press, and again where its answer was lost on the way or the server could not answer just then. */
export async function sent(ask: () => Promise<Response>, signal: AbortSignal): Promise<Response> {
  for (const pause of PAUSES) {
    const response = await ask().catch((error: unknown) => {
      if (signal.aborted) throw error;
      return null;
    });
    const again = response === null ? pause : pauseAfter(response, pause);
    if (response !== null && again === undefined) return response;
    await waited(again ?? pause, signal);
  }
  return ask();
}
