import { linkById } from '../links';

/** Maker and model, as far as the first words of a listing tell. */
export function namesIn(text: string): { maker: string; model: string } {
  const [maker = '', ...model] = text.trim().split(/\s+/).slice(0, 5);
  return { maker: maker.slice(0, 40) || 'Maker', model: (model.join(' ') || 'Model').slice(0, 80) };
}

export const linkFamilyOf = (link: string) => linkById(link).family;
/** Whether a link runs on a cable outside. */
export const isOutside = (link: string): boolean =>
  ['usb', 'usb4', 'thunderbolt'].includes(linkFamilyOf(link));
