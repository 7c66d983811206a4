import * as z from 'zod';

/** A storage device as it is plugged in right now, with what its link negotiated. */
export const PluggedIn = z.object({
  /** The system's own name of it, e.g. `2-1`, `0000:01:00.0`, `ata1`. */
  id: z.string(),
  bus: z.enum(['usb', 'pcie', 'sata']),
  name: z.string(),
  /** Link it runs at; null where the system's word fits none of the table. */
  link: z.string().nullable(),
  /** Best link its port could run, where the system tells. */
  port: z.string().nullable(),
  /** Best link the device itself could run, where the system tells. */
  device: z.string().nullable(),
  protocol: z.enum(['uas', 'bulk-only']).nullable(),
});
export type PluggedIn = z.infer<typeof PluggedIn>;
