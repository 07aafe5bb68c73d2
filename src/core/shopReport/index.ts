export { type CalendarRow, calendarFeed } from "./calendar";
export { csvText } from "./csv";
export { type Earned, type EarnedBy, type MonthFigures, type Share, type ShopFigures, shopFigures, type Way } from "./figures";
export { type JobFacts, jobFacts } from "./jobFacts";
export { type BackupFile, KEEP_BACKUPS, type KeepRule, keepBackups } from "./keepBackups";
export { type Turnaround, turnaround } from "./turnaround";
