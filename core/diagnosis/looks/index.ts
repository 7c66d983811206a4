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
import { RESTED } from './rested';
import { SPACE } from './space';

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
  NEGOTIATED,
  PLUGGED,
  SPACE,
  COUNT,
];
