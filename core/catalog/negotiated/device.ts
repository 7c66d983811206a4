/** A storage device as it is plugged in right now, with what its link negotiated. */
export interface PluggedIn {
  /** The system's own name of it, e.g. `2-1`, `0000:01:00.0`, `ata1`. */
  id: string;
  bus: 'usb' | 'pcie' | 'sata';
  name: string;
  /** Link it runs at; null where the system's word fits none of the table. */
  link: string | null;
  /** Best link its port could run, where the system tells. */
  port: string | null;
  /** Best link the device itself could run, where the system tells. */
  device: string | null;
  protocol: 'uas' | 'bulk-only' | null;
}
