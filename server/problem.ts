import type { NextFunction, Request, Response } from 'express';

/** An error that reaches the client as problem details [standard RFC 9457]. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
  ) {
    super(`${title}: ${detail}`);
  }
}

export function sendProblem(response: Response, { status, title, detail }: Pick<Problem, 'status' | 'title' | 'detail'>): void {
  response.status(status).type('application/problem+json').send(JSON.stringify({ type: 'about:blank', status, title, detail }));
}

/** Last middleware: whatever was thrown becomes problem details; what nobody foresaw gives nothing of the inside away. */
export function problems(error: unknown, _request: Request, response: Response, next: NextFunction): void {
  if (response.headersSent) return next(error);
  if (error instanceof Problem) return sendProblem(response, error);
  const status = typeof error === 'object' && error !== null && 'status' in error && typeof error.status === 'number' ? error.status : 500;
  if (status < 500) return sendProblem(response, { status, title: 'The request cannot be read', detail: (error as Error).message });
  console.error(error);
  sendProblem(response, { status: 500, title: 'Something broke inside', detail: 'The terminal Kymar runs in shows what. Nothing was changed.' });
}
