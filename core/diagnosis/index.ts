import { BULK_ONLY } from './bulkonly';
import type { Hypothesis } from './hypothesis';
import { USB_2_CABLE } from './usb2';

/** Every hypothesis there is. */
export const HYPOTHESES: readonly Hypothesis[] = [USB_2_CABLE, BULK_ONLY];
export { suppose, type Hypothesis, type Supposed } from './hypothesis';
