import { timingSafeEqual } from 'node:crypto';
import type { RequestHandler } from 'express';
import { Problem } from './problem';

/**
 * Lets only this machine's own page through: the Host header must name the loopback address (a foreign name that resolves here does not),
 * and an Origin, where there is one, must be the page's own.
 */
export function ownPageOnly(port: () => number): RequestHandler {
  return (request, _response, next) => {
    const hosts = ['127.0.0.1', 'localhost', '[::1]'].map((name) => `${name}:${port()}`);
    const host = request.headers.host ?? '';
    if (!hosts.includes(host)) throw new Problem(403, 'Wrong host', `This server answers to ${hosts[0]} only.`);
    const { origin } = request.headers;
    if (origin !== undefined && origin !== `http://${host}`) throw new Problem(403, 'Wrong origin', 'Only Kymar’s own page may ask.');
    next();
  };
}

/** Asks for the token of this start, which only the page served by it knows. */
export function withToken(token: string): RequestHandler {
  const wanted = Buffer.from(`Bearer ${token}`);
  return (request, _response, next) => {
    const got = Buffer.from(request.headers.authorization ?? '');
    if (got.length !== wanted.length || !timingSafeEqual(got, wanted)) throw new Problem(401, 'Not this page', 'Kymar was started anew. Reload the page.');
    next();
  };
}
