import * as z from 'zod';
import { Currency } from '../catalog/parts';

/** Money, with its currency by ISO 4217. */
export const Money = z.object({ amount: z.number().min(0).max(1e9), currency: Currency });
export type Money = z.infer<typeof Money>;
