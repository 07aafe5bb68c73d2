import { shopCaution } from "@/server/caution";
import { readHabits } from "@/server/habits";
import { readShopHours } from "@/server/hours";
import { benchCards } from "@/server/jobList";
import { clockIsFixed, nowMs } from "@/server/now";
import { otherPanels } from "@/server/otherPanels";
import { otherSellers } from "@/server/promise";
import { readReference } from "@/server/reference";
import { stockToday } from "@/server/stock";
import { Bench } from "@/ui/bench/Bench";
import type { Sooner } from "@/wire/promise";

export const dynamic = "force-dynamic";
export const metadata = { title: "The bench, Helvane" };

export default async function Home() {
  const [cards, ref, caution, habits, hours] = await Promise.all([
    benchCards(),
    readReference(),
    shopCaution(),
    readHabits(),
    readShopHours(),
  ]);
  const [sellers, panels, stock] = await Promise.all([
    otherSellers(cards.open, ref.offers),
    otherPanels(cards.open, ref),
    stockToday(cards.open, cards.making),
  ]);
  const others: Record<string, Sooner> = {};
  for (const id of new Set([...Object.keys(sellers), ...Object.keys(panels)]))
    others[id] = { ...(sellers[id] ? { seller: sellers[id] } : {}), ...(panels[id] ? { panel: panels[id] } : {}) };
  // A shop that has no job yet and was not asked.
  const fresh = !habits.begun && cards.open.length === 0 && cards.closed === 0 && cards.making === 0;
  return (
    <Bench
      cards={cards.open}
      closed={cards.closed}
      making={cards.making}
      caution={caution}
      machines={ref.machines.length}
      nowMs={nowMs()}
      clockFixed={clockIsFixed()}
      hours={hours}
      others={others}
      stock={stock}
      currency={ref.quote?.data.currency ?? "EUR"}
      shopName={habits.shopName}
      first={
        fresh && ref.quote && ref.tools
          ? { currency: ref.quote.data.currency, taxPercent: ref.quote.data.taxPercent, tools: ref.tools.data.have }
          : null
      }
    />
  );
}
