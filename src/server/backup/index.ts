export { type Backup, listBackups, makeBackup } from "./make";
export { type Verified, verifyBackup } from "./verifyApart";
