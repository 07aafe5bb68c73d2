import { verifyFile } from "@/server/backup/verify";
import { answering } from "./answer";

answering((ask: { file: string; live: string | null }) => verifyFile(ask.file, ask.live));
