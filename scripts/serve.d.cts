import type { ChildProcess } from 'node:child_process';

export const root: string;
export function startServer(
  args?: string[],
  env?: Record<string, string>,
): Promise<{ address: string; child: ChildProcess; stop(): void }>;
