import type { Response } from 'express';

/** Answers with problem details (RFC 9457). */
export const problem = (res: Response, status: number, title: string): void => {
  res
    .status(status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', title, status }));
};
