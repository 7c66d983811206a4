import { randomUUID, timingSafeEqual } from 'node:crypto';
import type { Request, RequestHandler, Response } from 'express';
import { Problem } from './problem';

/** Whether it is no page that is asked for but something of the server's: in whichever letters, since a router may not tell them apart. */
const isAsked = (request: Request): boolean => /^\/+api(\/|$)/i.test(request.path);

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
      !isAsked(request)
    )
      return response.redirect(
        307,
        `http://${own}${request.originalUrl.startsWith('/') ? request.originalUrl.replace(/^\/+/, '/') : '/'}`,
      );
    if (host !== own) throw new Problem(403, 'Wrong host', `This server answers to ${own} only.`);
    if (origin !== undefined && origin !== `http://${own}`)
      throw new Problem(403, 'Wrong origin', 'Only Kymar’s own page may ask.');
    const site = request.headers['sec-fetch-site'];
    if (isAsked(request) && site !== undefined && site !== 'same-origin')
      throw new Problem(403, 'Wrong origin', 'Only Kymar’s own page may ask.');
    next();
  };
}

/** Cookies do not know of ports: each server's has a name of its own. */
const cookieOf = (port: number): string => `kymar-${port}`;

const HIDDEN = { httpOnly: true, sameSite: 'strict', path: '/' } as const;
/** What tells one browser from another, over restarts and on every port, and for how long, ms: as long as browsers keep a cookie at most. */
const BROWSER = 'kymar-browser';
const BROWSER_LASTS = 400 * 24 * 3600e3;

/** Gives the browser the token of this start and a name of its own: no script can read them, no other site's page sends them. */
export function giveToken(request: Request, response: Response, token: string, port: number): void {
  response.cookie(cookieOf(port), token, HIDDEN);
  response.cookie(BROWSER, browserOf(request) || randomUUID(), { ...HIDDEN, maxAge: BROWSER_LASTS });
}

function sent(request: Request, cookie: string): string {
  const mark = `${cookie}=`;
  const cookies = (request.headers.cookie ?? '').slice(0, 8192).split(';');
  return (
    cookies
      .map((cookie) => cookie.trim())
      .find((cookie) => cookie.startsWith(mark))
      ?.slice(mark.length) ?? ''
  );
}

/** The name of the browser that asks: runs are its own. Empty where it sends none. */
export const browserOf = (request: Request): string =>
  /^[0-9a-f-]{36}$/.exec(sent(request, BROWSER))?.[0] ?? '';

/** Asks for the token of this start. */
export function withToken(token: string, port: () => number): RequestHandler {
  const wanted = Buffer.from(token);
  return (request, _response, next) => {
    const got = Buffer.from(sent(request, cookieOf(port())));
    if (got.length !== wanted.length || !timingSafeEqual(got, wanted))
      throw new Problem(401, 'Not this page', 'Kymar was started anew. Ask for the session again.');
    next();
  };
}
