import type { ExchangeRate, Weights } from '@kymar/core/choice';
import type { Thumb } from '@kymar/core/measure';
import type { Named, PracticeStep } from '@kymar/core/practice';
import type { Role } from '@kymar/core/job';
import { create } from 'zustand';
import type { OwnRanges } from '@kymar/core/catalog/assumptions';
import { disks } from './disk';
import { Records } from './records';
import { setHealth } from './status';

/** Practice: a round that goes on by its level, seed and steps; of those that are over what came of each. */
export interface PracticeRecord {
  going: { level: number; seed: number; steps: PracticeStep[]; named?: Named } | null;
  record: Played[];
}
export interface Played {
  at: string;
  level: number;
  seed: number;
  won: boolean;
  /** min it took, and the shortest way would have. */
  minutes: number;
  best: number;
}

/** What is kept beside jobs and parts, each for itself. */
export interface Settings {
  /** When the first visit was over: what it brought is stored. */
  seen?: string;
  /** The stopwatch, running or with a time that is not kept yet. */
  watch?: unknown;
  /** Whether the browser was asked to keep what is stored, and what it said. */
  persisted?: boolean;
  /** When everything was last backed up to a file, ISO. */
  backedUp?: string;
  /** The folder automatic back-ups go to: a handle of the browser's. */
  backupFolder?: unknown;
  /** Cells of exported tables are made safe for spreadsheet programs. */
  safeCells?: boolean;
  /** How probable a target must be to be met before a build counts, 0 to 1. */
  sure?: number;
  /** What an hour of the customer's is worth, for pay-back; in the job's currency. */
  hourly?: number;
  /** What an hour of the shop's own work costs, in the job's currency. */
  shopHour?: number;
  /** Who works at this bench. */
  technician?: string | undefined;
  /** How late and how steady the person at this bench presses. */
  thumb?: Thumb;
  /** What currencies are worth in each other, each with its day. */
  rates?: readonly ExchangeRate[];
  /** Whether a single key goes somewhere; absent: it does. */
  singleKeys?: boolean;
  /** The shop's own weights of the ranking, by what a device is for. */
  weights?: Partial<Record<Role | 'any', Weights>>;
  /** The round of practice that is played, and those that are over. */
  practice?: PracticeRecord;
  /** How often each cause is the one at this shop, by id, in place of what it comes with. */
  priors?: Readonly<Record<string, number>>;
  /** The shop's own ranges in place of what Kymar assumes. */
  ownRanges?: OwnRanges;
  /** Which of them were learned from jobs, by row, from how many. */
  learned?: Readonly<Record<string, number>>;
}
type Key = keyof Settings;

export const useSettings = create<Settings>(() => ({}));

export function setSetting<K extends Key>(key: K, value: Settings[K]): void {
  useSettings.setState({ [key]: value });
}

/** Who does it, to stand with what is done; nothing where nobody said. */
export function byWhom(): { by?: string } {
  const by = useSettings.getState().technician?.trim();
  return by ? { by } : {};
}

const entries = (): Record<string, unknown> =>
  Object.fromEntries(Object.entries(useSettings.getState()).filter(([, value]) => value !== undefined));

/** Settings are small and each is one value: where two tabs set one, the later stands. */
export const settingRecords = new Records<unknown>(
  {
    name: 'settings',
    disk: disks.settings,
    check: (value) => Promise.resolve({ ok: true, value }),
    trusted: (value) => value ?? null,
    toDisk: (value) => value,
    merge: (base, mine, theirs) => ({ value: mine === base ? theirs : mine, conflicts: [] }),
    copy: () => null,
    title: (_, key) => key,
    fleeting: true,
  },
  {
    get: entries,
    adopt: (changes) => useSettings.setState(changes),
    subscribe: (listener) => void useSettings.subscribe(listener),
  },
  setHealth('settings'),
);
