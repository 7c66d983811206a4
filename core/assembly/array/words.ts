import type { ArrayMode } from '../../catalog/parts';
import type { Layout } from './layout';

/** What the field calls each way of putting drives together, and what that is. */
export const ARRAY_NAMES: Record<ArrayMode, { name: string; is: string }> = {
  single: { name: 'each by itself', is: '' },
  stripe: { name: 'RAID 0', is: 'striped' },
  mirror: { name: 'RAID 1', is: 'mirrored' },
  concatenation: { name: 'spanned', is: '' },
  parity: { name: 'RAID 5', is: 'single parity' },
  'double parity': { name: 'RAID 6', is: 'double parity' },
  'stripe of mirrors': { name: 'RAID 10', is: 'striped mirrors' },
};

/** An array in a few words: "RAID 5 of 4". */
export const layoutWords = ({ mode, members }: Pick<Layout, 'mode' | 'members'>): string =>
  `${ARRAY_NAMES[mode].name} of ${members}`;
