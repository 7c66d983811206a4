export {
  BACKUP_VERSION,
  writeBackup,
  readBackup,
  compareBackup,
  type Backup,
  type BackupRead,
  type Restoring,
} from './backup';
