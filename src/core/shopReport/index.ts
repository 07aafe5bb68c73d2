export { type CalendarRow, calendarFeed } from "./calendar";
export { type BackupFile, KEEP_BACKUPS, type KeepRule, keepBackups } from "./keepBackups";
export { type Turnaround, turnaround } from "./turnaround";
