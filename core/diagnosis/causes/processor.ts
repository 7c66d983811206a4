import type { Hypothesis } from '../hypothesis';

/** The host is busy by itself for longer than was thought: no drive shortens that. */
export const PROCESSOR: Hypothesis = {
  id: 'processor-bound',
  site: 'machine',
  prior: 3,
  title: 'What is waited for is processing, not the drive',
  fix: 'No drive helps: a faster processor, fewer plug-ins, or patience.',
  applies: ({ activity }) => activity.kind === 'open' && activity.processing.value !== null,
  change: (of) => {
    if (of.activity.kind !== 'open') return of;
    const { value, source } = of.activity.processing;
    const middle = Array.isArray(value) ? value[1] : value!;
    const processing = { value: [middle * 1.3, middle * 2, middle * 4] as [number, number, number], source };
    return { ...of, activity: { ...of.activity, processing } };
  },
};
