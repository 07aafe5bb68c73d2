import { snapshots } from "@tests/bench";
import { fold } from "@/core/job";
import { longLog } from "./shop";
import { quantile, timeMs } from "./stats";
const five = longLog(5000);
const a = timeMs(() => fold(five, snapshots), 25, 4);
console.log("fold 5000 median", quantile(a, 0.5).toFixed(2), "min", Math.min(...a).toFixed(2));
