import { readShop } from "@/server/backup/shopZip";
import { answering } from "./answer";

answering((ask: { file: string; to: string; live: string; passphrase: string | null }) =>
  readShop(ask.file, ask.to, ask.live, ask.passphrase),
);
