import { create } from 'zustand';

/** Stands for every fold: how those are that nobody opened or shut. */
export const ALL_FOLDS = '*';
const KEY = 'kymar-folds';
type Folds = Readonly<Record<string, boolean>>;

function kept(): Folds {
  try {
    const raw = JSON.parse(localStorage.getItem(KEY) ?? '{}') as unknown;
    return typeof raw === 'object' && raw !== null ? (raw as Folds) : {};
  } catch {
    return {};
  }
}

/** Which folds somebody opened or shut, by name: each is found again as it was left. */
export const useFolds = create<Folds>(kept);

export function setFold(name: string, isOpen: boolean): void {
  useFolds.setState({ [name]: isOpen });
  try {
    localStorage.setItem(KEY, JSON.stringify(useFolds.getState()));
  } catch {
    // Nothing is lost but how it was left.
  }
}

/** Whether a fold is open: as it was left, else as it is meant to be. */
export const useFold = (name: string, usual = false): boolean =>
  useFolds((folds) => folds[name] ?? folds[ALL_FOLDS] ?? usual) === true;

/** All as they are meant to be, or all open. */
export function unfoldAll(isOpen: boolean): void {
  useFolds.setState(isOpen ? { [ALL_FOLDS]: true } : {}, true);
  localStorage.setItem(KEY, JSON.stringify(useFolds.getState()));
}
