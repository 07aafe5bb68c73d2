import { shopCaution } from "@/server/caution";
import { benchCards } from "@/server/jobList";
import { clockIsFixed, nowMs } from "@/server/now";
import { readReference } from "@/server/reference";
import { Bench } from "@/ui/bench/Bench";

export const dynamic = "force-dynamic";

export default async function Home() {
  const [cards, ref, caution] = await Promise.all([benchCards(), readReference(), shopCaution()]);
  return (
    <Bench
      cards={cards.open}
      closed={cards.closed}
      making={cards.making}
      caution={caution}
      machines={ref.machines.map((m) => m.model)}
      nowMs={nowMs()}
      clockFixed={clockIsFixed()}
    />
  );
}
