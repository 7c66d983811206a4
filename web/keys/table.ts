import type { Stage } from '@kymar/core/job';
import { STAGE_NAMES } from '../ui/stages';

/** A view of its own: the letter that goes there after `g`, its address and its name. */
export const VIEW_KEYS = [
  ['j', '/jobs', 'All jobs'],
  ['p', '/parts', 'Parts'],
  ['t', '/tools', 'Tools'],
  ['r', '/reference', 'Reference'],
  ['x', '/practice', 'Practice'],
  ['s', '/settings', 'Settings'],
] as const;

const LETTERS: Record<Stage, string> = {
  brief: 'b',
  choice: 'c',
  path: 'a',
  forecast: 'f',
  setup: 'u',
  bench: 'm',
  verdict: 'v',
  handover: 'h',
};
/** The stages of a job, in their order. */
export const STAGE_KEYS = (Object.entries(LETTERS) as [Stage, string][]).map(
  ([stage, letter]) => [letter, stage, STAGE_NAMES[stage]] as const,
);

/** Every other key: what is pressed, and what it does. */
export const OTHER_KEYS: readonly (readonly [keys: string, does: string, group: 'anywhere' | 'clock'])[] = [
  ['Ctrl or ⌘ K', 'find and go to anything', 'anywhere'],
  ['/', 'find in this view', 'anywhere'],
  ['?', 'this sheet', 'anywhere'],
  ['Ctrl or ⌘ Z', 'undo', 'anywhere'],
  ['Ctrl or ⌘ Shift Z', 'redo', 'anywhere'],
  ['Space', 'start, stop', 'clock'],
  ['L', 'lap', 'clock'],
  ['↑ ↓', 'correct the time', 'clock'],
  ['Enter', 'keep the run', 'clock'],
  ['F', 'clock over the whole page', 'clock'],
  ['Esc', 'back, or discard the time', 'clock'],
];
