import { catalogueOf } from "@/server/panels";
import { readReference } from "@/server/reference";
import { tradeOf } from "@/server/sellers";
import { SellerList } from "@/ui/bench/SellerList";
import { Desk } from "@/ui/shell/Desk";

export const dynamic = "force-dynamic";
export const metadata = { title: "Sellers and offers, Helvane" };

export default async function SellersPage() {
  const ref = await readReference();
  const { sellers, offers } = await tradeOf(ref.offers);
  return (
    <Desk title="Sellers and offers" ways={[["/panels", "Panels"]]}>
      <SellerList
        sellers={sellers}
        offers={offers}
        currency={ref.quote?.data.currency ?? "EUR"}
        codes={Object.fromEntries((await catalogueOf()).map((e) => [e.id, e.code]))}
      />
    </Desk>
  );
}
