import { sizesOfFiles, type RunRequest } from '@kymar/core/measure';
import { CopyRun } from './copyrun';
import { filesIn, type SourceFile } from './copy';
import { FilesRun } from './filesrun';
import { Problem } from './problem';
import { ProbeRun } from './proberun';
import { RandomRun } from './randomrun';
import { ReadRun } from './readrun';
import { RealRun } from './realrun';
import type { RunGround } from './runs';
import { SteadyRun } from './steadyrun';
import type { TargetPlace } from './target';
import { Workfolder } from './workfolder';

/** The folders the server was started with, looked at afresh. */
export interface Folders {
  targets(): Promise<TargetPlace[]>;
  sources(): Promise<TargetPlace[]>;
}

const among = (places: readonly TargetPlace[], id: string, option: string): TargetPlace => {
  const found = places.find((p) => p.id === id);
  if (found) return found;
  throw new Problem(
    404,
    'No such folder',
    `Choose one of the folders the server was started with: ${option}.`,
  );
};

/** All files of a source. @throws Problem when it cannot be read */
function filesOf(source: TargetPlace): SourceFile[] {
  if (source.problem) throw new Problem(422, 'The folder cannot be read', source.problem);
  try {
    return filesIn(source.folder);
  } catch (error) {
    throw new Problem(422, 'The folder cannot be read', `${source.folder}: ${(error as Error).message}.`);
  }
}

const sum = (all: readonly number[]): number => all.reduce((total, one) => total + one, 0);

/**
 * Where a run works, and what makes it: of each kind, one line here and a file of its own.
 * @throws Problem for a folder there is not, or one that cannot be read
 */
export async function groundOf(
  request: Exclude<RunRequest, { kind: 'watch' }>,
  folders: Folders,
): Promise<RunGround> {
  if (request.kind === 'read') {
    const source = among(await folders.sources(), request.source, '--source');
    const files = filesOf(source);
    return { place: source, bytes: 0, begin: (worker) => new ReadRun(source, request, files, worker) };
  }
  const place = among(await folders.targets(), request.target, '--bench');
  const folder = () => Workfolder.make(place.folder);
  switch (request.kind) {
    case 'copy': {
      const source = among(await folders.sources(), request.source, '--source');
      const files = filesOf(source);
      const from = { folder: source.folder, files };
      const bytes = sum(files.map((file) => file.bytes));
      return { place, bytes, begin: (worker) => new CopyRun(place, request, from, folder(), worker) };
    }
    case 'files': {
      const bytes = sum(sizesOfFiles(request));
      return { place, bytes, begin: (worker) => new FilesRun(place, request, folder(), worker) };
    }
    case 'sequential':
      return { place, ...request, begin: (worker) => new RealRun(place, request, folder(), worker) };
    case 'random':
      return { place, ...request, begin: (worker) => new RandomRun(place, request, folder(), worker) };
    case 'steady':
      return { place, ...request, begin: (worker) => new SteadyRun(place, request, folder(), worker) };
    case 'probe':
      return { place, ...request, begin: (worker) => new ProbeRun(place, request, folder(), worker) };
  }
}
