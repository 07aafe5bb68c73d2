import { nowMs } from "@/server/now";
import { readStockPage } from "@/server/stock";
import { Stock } from "@/ui/stock/Stock";

export const dynamic = "force-dynamic";
export const metadata = { title: "Stock, Helvane" };

export default async function StockPage() {
  return <Stock page={await readStockPage(nowMs())} />;
}
