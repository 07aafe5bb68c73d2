import { type PanelTableAsk, readPanelTable } from "@/server/panelRows";
import { answering } from "./answer";

answering((ask: PanelTableAsk, tell) => readPanelTable(ask, tell));
