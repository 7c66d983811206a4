import { create } from 'zustand';
import type { Finding, Setting } from '@kymar/core/fit';

/**
 * The fit rules, fetched after the first view: there are many, and a list of stages can wait a moment for them. Null until they are
 * there.
 */
export const useRules = create<{ findings: ((of: Setting) => Finding[]) | null }>(() => ({ findings: null }));

export const loadRules = async (): Promise<void> => {
  const { findings } = await import('@kymar/core/fit');
  useRules.setState({ findings });
};
