import { createContext, useContext } from 'react';
import { create } from 'zustand';

/** An entry that was not understood, as it was typed. */
export interface Wrong {
  label: string;
  text: string;
  /** The value it stands over, as JSON: another value from elsewhere ends it. */
  over: string;
}

/** Entries that were not understood, by the place they were typed at. They outlast the view: nothing typed is dropped. */
const useEntries = create<Record<string, Wrong>>(() => ({}));

/** Where fields stand: a word for each level, e.g. a job, an activity in it. Absent: entries are kept by their fields alone. */
export const EntryScope = createContext<string | null>(null);

/** The scope of a part of a job, by the words that lead there. */
export const scopeOf = (job: string, ...words: string[]): string => ['job', job, ...words].join('/');

/** Keeps, or forgets, what a field's entry was that was not understood. */
function setWrong(key: string, wrong: Wrong | null): void {
  const { [key]: had, ...others } = useEntries.getState();
  if (wrong) useEntries.setState({ [key]: wrong });
  else if (had) useEntries.setState(others, true);
}

/** The entry of a field that was not understood, and how to keep it. */
export function useWrong(label: string): { wrong: Wrong | undefined; keep(wrong: Wrong | null): void } {
  const scope = useContext(EntryScope);
  const key = scope === null ? null : `${scope}/${label}`;
  const wrong = useEntries((s) => (key === null ? undefined : s[key]));
  return { wrong, keep: (next) => key !== null && setWrong(key, next) };
}

/** Entries within a scope that were not understood: what goes by them must wait. */
export function useWrongIn(scope: string): Wrong[] {
  const entries = useEntries();
  return Object.entries(entries).flatMap(([key, wrong]) => (key.startsWith(`${scope}/`) ? [wrong] : []));
}

/** Forgets the entries of something that is gone. */
export function forgetEntries(scope: string): void {
  const entries = Object.entries(useEntries.getState()).filter(([key]) => !key.startsWith(`${scope}/`));
  useEntries.setState(Object.fromEntries(entries), true);
}

/** What was not understood, in a sentence. */
export const wrongWords = (list: readonly Wrong[]): string =>
  `Not understood: ${list.map(({ label, text }) => `“${text.slice(0, 40)}” in ${label}`).join(', ')}.`;
