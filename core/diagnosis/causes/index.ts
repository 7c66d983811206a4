import type { Hypothesis } from '../hypothesis';
import { ALIGNMENT } from './alignment';
import { UNITS } from './bitsforbytes';
import { BULK_ONLY } from './bulkonly';
import { CACHE_USED } from './cacheused';
import { COMPRESSION } from './compression';
import { CONTACT } from './contact';
import { DESTINATION } from './destination';
import { FILE_COUNT } from './filecount';
import { NEARLY_FULL } from './full';
import { OLDER_GENERATION } from './generation';
import { HUB } from './hub';
import { FEWER_LANES } from './lanes';
import { OTHER_CACHE } from './othercache';
import { PAGE_CACHE } from './pagecache';
import { PARITY } from './parity';
import { POOR_BRIDGE } from './poorbridge';
import { SLOWER_PORT } from './portslower';
import { PROCESSOR } from './processor';
import { SUSTAINED } from './rest';
import { SHINGLED } from './shingled';
import { SINGLE_LANE } from './singlelane';
import { SIZE } from './size';
import { SMALL_FILES } from './smallfiles';
import { SOURCE } from './source';
import { STACK } from './stack';
import { THROTTLING } from './throttling';
import { THUMB } from './thumb';
import { UPLINK } from './uplink';
import { USB_2_CABLE } from './usb2';
import { WRITE_CACHE } from './writecache';

const all: Hypothesis[] = [
  SLOWER_PORT,
  USB_2_CABLE,
  CONTACT,
  SINGLE_LANE,
  FEWER_LANES,
  OLDER_GENERATION,
  HUB,
  BULK_ONLY,
  POOR_BRIDGE,
  UPLINK,
  STACK,
  CACHE_USED,
  NEARLY_FULL,
  THROTTLING,
  SUSTAINED,
  SHINGLED,
  ALIGNMENT,
  WRITE_CACHE,
  PARITY,
  SOURCE,
  DESTINATION,
  OTHER_CACHE,
  SMALL_FILES,
  PROCESSOR,
  PAGE_CACHE,
  COMPRESSION,
  UNITS,
  SIZE,
  FILE_COUNT,
  THUMB,
];

/** Every cause there is to think of, each a file of this folder. */
export const CAUSES: readonly Hypothesis[] = all;

/** Adds a cause, and gives back what takes it out again. @throws RangeError for an id that is taken */
export function registerCause(cause: Hypothesis): () => void {
  if (all.some(({ id }) => id === cause.id)) throw new RangeError(`"${cause.id}" is a cause already.`);
  all.push(cause);
  return () => void all.splice(all.indexOf(cause), 1);
}
