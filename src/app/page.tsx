import { benchCards } from "@/server/jobList";
import { clockIsFixed, nowMs } from "@/server/now";
import { readReference } from "@/server/reference";
import { Bench } from "@/ui/bench/Bench";

export const dynamic = "force-dynamic";

export default async function Home() {
  const [cards, ref] = await Promise.all([benchCards(), readReference()]);
  return (
    <Bench
      cards={cards.open}
      closed={cards.closed}
      machines={ref.machines.map((m) => m.model)}
      nowMs={nowMs()}
      clockFixed={clockIsFixed()}
    />
  );
}
