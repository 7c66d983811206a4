import { timingSafeEqual } from 'node:crypto';
import type { Request, RequestHandler, Response } from 'express';
import { Problem } from './problem';

/**
 * Lets only this machine's own page through: the Host header must name the loopback address (a foreign name that resolves here does
 * not), and an Origin or a Sec-Fetch-Site, where there is one, must be the page's own. A person who typed `localhost` is sent on:
 * for a browser that is another place, with other jobs in it.
 */
export function ownPageOnly(port: () => number): RequestHandler {
  return (request, response, next) => {
    const [own, named] = [`127.0.0.1:${port()}`, `localhost:${port()}`];
    const { host = '', origin } = request.headers;
    if (
      host === named &&
      origin === undefined &&
      ['GET', 'HEAD'].includes(request.method) &&
      !request.path.startsWith('/api')
    )
      return response.redirect(
        307,
        `http://${own}${request.originalUrl.startsWith('/') ? request.originalUrl.replace(/^\/+/, '/') : '/'}`,
      );
    if (host !== own) throw new Problem(403, 'Wrong host', `This server answers to ${own} only.`);
    if (origin !== undefined && origin !== `http://${own}`)
      throw new Problem(403, 'Wrong origin', 'Only Kymar’s own page may ask.');
    const site = request.headers['sec-fetch-site'];
    if (request.path.startsWith('/api') && site !== undefined && site !== 'same-origin')
      throw new Problem(403, 'Wrong origin', 'Only Kymar’s own page may ask.');
    next();
  };
}

/** Cookies do not know of ports: each server's has a name of its own. */
const cookieOf = (port: number): string => `kymar-${port}`;

/** Gives the browser the token of this start: no script can read it, no other site's page sends it. */
export function giveToken(response: Response, token: string, port: number): void {
  response.cookie(cookieOf(port), token, { httpOnly: true, sameSite: 'strict', path: '/' });
}

function sentToken(request: Request, port: number): string {
  const mark = `${cookieOf(port)}=`;
  const cookies = (request.headers.cookie ?? '').slice(0, 8192).split(';');
  return (
    cookies
      .map((cookie) => cookie.trim())
      .find((cookie) => cookie.startsWith(mark))
      ?.slice(mark.length) ?? ''
  );
}

/** Asks for the token of this start. */
export function withToken(token: string, port: () => number): RequestHandler {
  const wanted = Buffer.from(token);
  return (request, _response, next) => {
    const got = Buffer.from(sentToken(request, port()));
    if (got.length !== wanted.length || !timingSafeEqual(got, wanted))
      throw new Problem(401, 'Not this page', 'Kymar was started anew. Ask for the session again.');
    next();
  };
}
