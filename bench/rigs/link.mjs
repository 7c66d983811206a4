import { LINKS, SERIAL } from './figures.mjs';

/**
 * B/s that a link passes on, worked out from its packets and from how long it stands still between requests.
 * @param {string} name of {@link LINKS}
 * @param {{ gap?: number, serial?: boolean, slow?: number, share?: number }} unit gap: times its own; serial: one command at a time; slow: s more
 * between two requests; share: of the wire, where something else is at work there
 */
export function linkRate(name, { gap = 1, serial = false, slow = 0, share = 1 } = {}) {
  const link = LINKS[name];
  const carried = (link.wire * share * link.packet) / (link.packet + link.beside);
  const request = serial ? Math.min(SERIAL.request, link.request) : link.request;
  const still = link.gap * gap + slow + (serial ? SERIAL.wait : 0);
  return request / (request / carried + still);
}
