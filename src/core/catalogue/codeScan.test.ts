import { againstScan } from "@tests/againstScan";
import { runs } from "@tests/scale";
import { it } from "vitest";

// A file of its own, so that both halves of the long comparison run beside each other.
it("finds exactly what a scan of 100,000 codes finds, for limits 1, 5 and 20: second half of 100 queries", () => {
  againstScan(50, 50 + runs(50));
}, 240_000);
