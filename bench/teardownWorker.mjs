// A worker does not inherit how the bench reads TypeScript: it says so itself.
import { register } from "tsx/esm/api";

register();
await import("./teardown.ts");
