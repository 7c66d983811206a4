import { STATUS_CODES } from 'node:http';
import type { Socket } from 'node:net';
import type { NextFunction, Request, Response } from 'express';

/** An error that reaches the client as problem details [standard RFC 9457]. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    /** Methods that would do, where another one was used. */
    readonly allow?: string,
  ) {
    super(`${title}: ${detail}`);
  }
}

type Told = Pick<Problem, 'status' | 'title' | 'detail'>;
const asText = ({ status, title, detail }: Told): string =>
  JSON.stringify({ type: 'about:blank', status, title, detail });
const TYPE = 'application/problem+json';

function sendProblem(response: Response, problem: Told & { allow?: string | undefined }): void {
  if (problem.allow) response.set('Allow', problem.allow);
  response.status(problem.status).set('Cache-Control', 'no-store').type(TYPE).send(asText(problem));
}

/** What is said of errors that others throw: never their own words, which may hold a path. */
const WORDS: Record<number, string> = {
  400: 'The address or the body is malformed.',
  404: 'There is nothing here.',
  413: 'The body is larger than anything Kymar asks for.',
  415: 'Send JSON.',
};

/** Last middleware: whatever was thrown becomes problem details; what nobody foresaw gives nothing of the inside away. */
export function problems(error: unknown, _request: Request, response: Response, next: NextFunction): void {
  if (response.headersSent) return next(error);
  if (error instanceof Problem) return sendProblem(response, error);
  const told = typeof error === 'object' && error !== null && 'status' in error ? Number(error.status) : 500;
  const status = error instanceof URIError ? 400 : told >= 400 && told < 600 ? told : 500;
  if (status < 500)
    return sendProblem(response, {
      status,
      title: 'The request cannot be served',
      detail: WORDS[status] ?? 'It is not understood.',
    });
  console.error(error);
  sendProblem(response, {
    status: 500,
    title: 'Something broke inside',
    detail: 'The terminal Kymar runs in shows what. Nothing was changed.',
  });
}

/** Answers what is no HTTP at all. */
export function malformed(error: NodeJS.ErrnoException, socket: Socket): void {
  if (error.code === 'ECONNRESET' || !socket.writable) return void socket.destroy();
  const status =
    error.code === 'HPE_HEADER_OVERFLOW' ? 431 : error.code === 'ERR_HTTP_REQUEST_TIMEOUT' ? 408 : 400;
  const body = asText({
    status,
    title: 'The request cannot be read',
    detail: 'It is no HTTP that this server speaks.',
  });
  socket.end(
    `HTTP/1.1 ${status} ${STATUS_CODES[status]}\r\nContent-Type: ${TYPE}\r\nConnection: close\r\nContent-Length: ${Buffer.byteLength(body)}\r\n\r\n${body}`,
  );
}
