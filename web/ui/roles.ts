import type { Role } from '@kymar/core/job';

/** What a device may be for. */
export const ROLE_NAMES: Record<Role, string> = {
  system: 'System and programs',
  projects: 'Active projects',
  scratch: 'Scratch and cache',
  library: 'Library',
  everyday: 'Everyday second drive',
  archive: 'Archive',
  backup: 'Backup',
  expansion: 'Expansion bay',
};
