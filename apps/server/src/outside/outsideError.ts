/** A service outside did not do what was asked. `permanent`: it refused, and asking again would not help. */
export class OutsideError extends Error {
  constructor(
    message: string,
    readonly permanent = false,
  ) {
    super(message);
  }
}

/** Asks a service outside by HTTP; whatever goes wrong becomes a reason that a teacher can read. */
export async function askOutside(
  name: string,
  url: string,
  init: RequestInit & { timeoutMs?: number },
): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(url, { ...init, signal: AbortSignal.timeout(init.timeoutMs ?? 5000) });
  } catch (error) {
    const slow = (error as Error).name === 'TimeoutError';
    throw new OutsideError(
      slow ? `${name} took too long to answer.` : `${name} cannot be reached.`,
    );
  }
  if (response.ok) return response;
  const reason = await response.json().then(
    (body) => (body as { title?: string }).title,
    () => undefined,
  );
  const permanent =
    response.status >= 400 &&
    response.status < 500 &&
    response.status !== 408 &&
    response.status !== 429;
  throw new OutsideError(
    `${name} ${permanent ? 'refused' : 'has trouble'}: ${reason ?? `status ${response.status}`}`,
    permanent,
  );
}
