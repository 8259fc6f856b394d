import { NOT_MOVED_IN, type Problem } from '@glen/contract';

/** An answer that is not the wished one, as RFC 9457 problem details. */
export class HttpProblem extends Error {
  readonly more: Partial<Pick<Problem, 'type' | 'detail' | 'errors' | 'current'>>;
  /** Seconds after which it is worth asking again. */
  readonly retryAfter: number | undefined;

  constructor(
    readonly status: number,
    title: string,
    { retryAfter, ...more }: HttpProblem['more'] & { retryAfter?: number } = {},
  ) {
    super(title);
    this.more = more;
    this.retryAfter = retryAfter;
  }

  body(): Problem {
    return { type: 'about:blank', title: this.message, status: this.status, ...this.more };
  }
}

/** No school is here yet; whoever was told the one-time address can make one. */
export const notMovedIn = (): HttpProblem =>
  new HttpProblem(409, 'Nobody has moved in here yet.', {
    type: NOT_MOVED_IN,
    detail:
      'Open the address that Glen told as it started, or start it again to be told a new one.',
  });

export const notFound = (what: string): HttpProblem => new HttpProblem(404, `${what} is not here.`);
export const wrongField = (path: string, message: string): HttpProblem =>
  new HttpProblem(422, 'Something needs mending.', { errors: [{ path, message }] });
/** Somebody else changed it in the meantime; `current` is how it stands now. */
export const stale = (current: unknown): HttpProblem =>
  new HttpProblem(409, 'Somebody changed this while you were at it.', { current });
