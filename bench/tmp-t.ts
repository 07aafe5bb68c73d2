import { benchTeardownInWorker } from "./teardown";

await benchTeardownInWorker();
