/** What a device may be for. */
export const ROLE_NAMES = {
  system: 'System and programs',
  projects: 'Active projects',
  scratch: 'Scratch and cache',
  library: 'Library',
  everyday: 'Everyday second drive',
  archive: 'Archive',
  backup: 'Backup',
  expansion: 'Expansion bay',
} as const;
