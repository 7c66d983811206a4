import * as z from 'zod';
import { everyRequest, folder } from '../common';

/** All files of a folder read once, past what the host's memory still holds of them. It ends as files that were read do. */
export const ReadRequest = z.object({ kind: z.literal('read'), source: folder, ...everyRequest });
export type ReadRequest = z.infer<typeof ReadRequest>;
