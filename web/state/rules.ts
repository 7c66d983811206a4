import { create } from 'zustand';
import type { Job } from '@kymar/core/job';

/** What blocks a job, fetched after the first view: a list of stages can wait a moment for it. Null until it is there. */
export const useRules = create<{ isBlocked: ((job: Job) => boolean) | null }>(() => ({ isBlocked: null }));

export const loadRules = async (): Promise<void> => {
  const { isBlocked } = await import('./derived');
  useRules.setState({ isBlocked });
};
