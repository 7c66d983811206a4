import * as z from 'zod';
import { Currency } from '../catalog/parts';

/** Money, with its currency by ISO 4217. */
export const Money = z.object({ amount: z.number().min(0).max(1e9), currency: Currency });
export type Money = z.infer<typeof Money>;

/** What may be spent, on so many alike; absent: on one. */
export const Budget = Money.extend({ pieces: z.number().int().min(2).max(1000).optional() });
export type Budget = z.infer<typeof Budget>;
