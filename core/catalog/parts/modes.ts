import * as z from 'zod';
import { isLinkId } from '../links';
import { FORM_FACTORS } from './form';

export const FormFactor = z.enum(FORM_FACTORS);

/** Link modes an end offers, by id; older modes of the same standard need not be named. */
export const Modes = z
  .array(z.string().refine(isLinkId, { error: 'is no link mode Kymar knows' }))
  .min(1)
  .max(20);

/** The shape of a plug or socket. A shape says nothing of the modes behind it. */
export const Connector = z.enum([
  'M.2',
  'SATA',
  'PCIe slot',
  'USB-A',
  'USB-C',
  'Micro-B',
  'USB-B',
  'Mini DP',
  'SAS',
  'Card',
]);
export type Connector = z.infer<typeof Connector>;

/** How blocks travel over USB: many at once, or one command at a time. */
export const UsbProtocol = z.enum(['uas', 'bulk-only']);

export const Id = z
  .string()
  .min(1)
  .max(80)
  .regex(/^[A-Za-z0-9._-]+$/, { error: 'may hold letters, digits, dot, dash and underscore only' });
export const Name = z.string().trim().min(1).max(120);
export const Watts = z.number().nonnegative().max(5000);
/** In mm. */
export const Length = z.number().min(0.01).max(1000);
