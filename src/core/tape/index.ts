export { type CutPiece, cutList } from "./cutList";
