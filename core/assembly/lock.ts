/** Places whose part may be held fast, so that a change elsewhere does not swap it. */
export const LOCKABLE = ['drive', 'bridge', 'cable', 'port'] as const;
export type Lockable = (typeof LOCKABLE)[number];
