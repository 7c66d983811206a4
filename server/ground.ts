import type { RunGround } from './runs';
import { COPY_GROUND } from './ways/copy/task';
import { FILES_GROUND } from './ways/files/task';
import { PROBE_GROUND } from './ways/probe/task';
import { RANDOM_GROUND } from './ways/random/task';
import { READ_GROUND } from './ways/read/task';
import { SEQUENTIAL_GROUND } from './ways/sequential/task';
import { STEADY_GROUND } from './ways/steady/task';
import type { Folders, ServerWay, Worked } from './ways/way';

/** Every way there is: one that is missing does not compile. */
const WAYS: { [K in Worked['kind']]: ServerWay<Extract<Worked, { kind: K }>> } = {
  sequential: SEQUENTIAL_GROUND,
  random: RANDOM_GROUND,
  steady: STEADY_GROUND,
  probe: PROBE_GROUND,
  copy: COPY_GROUND,
  files: FILES_GROUND,
  read: READ_GROUND,
};

/** Where a run works, and what makes it. @throws Problem for a folder there is not, or one that cannot be read */
export const groundOf = (request: Worked, folders: Folders): Promise<RunGround> =>
  WAYS[request.kind].ground(request as never, folders);
