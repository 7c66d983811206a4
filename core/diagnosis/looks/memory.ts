import type { Look } from '../look';

/** The same transfer with memory at the other end: a synthetic run, whose size and clock are Kymar's own and whose bytes do not compress. */
export const MEMORY: Look = {
  id: 'synthetic',
  title: 'Run it synthetically: memory in place of the other end',
  timedBy: 'real',
  replaces: ['other end', 'figures'],
  applies: ({ activity, asked }) => activity.kind === 'move' && !asked?.toMemory,
  change: (of) => ({ ...of, asked: { ...of.asked, toMemory: true } }),
};
