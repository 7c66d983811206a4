import type { Look } from '../look';
import { BACK } from './back';
import { CABLE } from './cable';
import { COUNT } from './count';
import { DEVICE } from './device';
import { LARGER } from './larger';
import { MACHINE } from './machine';
import { MEMORY } from './memory';
import { NEGOTIATED } from './negotiated';
import { ONE_FILE } from './onefile';
import { PLUGGED } from './plugged';
import { PORT } from './port';
import { PROBE } from './probe';
import { RESTED } from './rested';
import { SPACE } from './space';
import { WATCHED } from './watched';

/** Every look and every test there is, each a file of this folder. */
export const LOOKS: readonly Look[] = [
  CABLE,
  PORT,
  MACHINE,
  DEVICE,
  MEMORY,
  ONE_FILE,
  LARGER,
  BACK,
  RESTED,
  WATCHED,
  PROBE,
  NEGOTIATED,
  PLUGGED,
  SPACE,
  COUNT,
];
