import type { RunRequest } from '@kymar/core/measure';
import { Problem } from '../problem';
import type { RunGround } from '../runs';
import type { Task } from '../task';
import type { TargetPlace } from '../target';
import { Workfolder } from '../workfolder';
import { filesIn, type SourceFile } from './copy/work';

/** The folders the server was started with, looked at afresh. */
export interface Folders {
  targets(): Promise<TargetPlace[]>;
  sources(): Promise<TargetPlace[]>;
}

/** What runs in a folder: all but a watch. */
export type Worked = Exclude<RunRequest, { kind: 'watch' }>;

/** A way to measure, as the server does it. */
export interface ServerWay<R extends Worked> {
  /** Where it works, and what makes it. @throws Problem for a folder there is not, or one that cannot be read */
  ground(request: R, folders: Folders): Promise<RunGround>;
}

function among(places: readonly TargetPlace[], id: string, option: string): TargetPlace {
  const found = places.find((p) => p.id === id);
  if (found) return found;
  throw new Problem(
    404,
    'No such folder',
    `Choose one of the folders the server was started with: ${option}.`,
  );
}

/** The folder that is written to. @throws Problem where there is none of that id */
export const targetOf = async ({ target }: { target: string }, folders: Folders): Promise<TargetPlace> =>
  among(await folders.targets(), target, '--bench');

/** The folder that is read, with all of its files. @throws Problem where there is none of that id, or it cannot be read */
export async function sourceOf(
  { source }: { source: string },
  folders: Folders,
): Promise<{ place: TargetPlace; files: SourceFile[] }> {
  const place = among(await folders.sources(), source, '--source');
  const problem = (words: string) => new Problem(422, 'The folder cannot be read', words);
  if (place.problem) throw problem(place.problem);
  try {
    return { place, files: filesIn(place.folder) };
  } catch (error) {
    throw problem(`${place.folder}: ${(error as Error).message}.`);
  }
}

type Made<R> = new (place: TargetPlace, request: R, folder: Workfolder, workerFile: string) => Task;

/** A way that writes so many bytes into a folder of its own. */
export const writing = <R extends Extract<Worked, { target: string }>>(
  Run: Made<R>,
  bytesOf: (request: R) => number,
): ServerWay<R> => ({
  async ground(request, folders) {
    const place = await targetOf(request, folders);
    const begin = (worker: string) => new Run(place, request, Workfolder.make(place.folder), worker);
    return { place, bytes: bytesOf(request), begin };
  },
});
