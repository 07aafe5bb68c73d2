export { type BackupFile, KEEP_BACKUPS, type KeepRule, keepBackups } from "./keepBackups";
