import { readFigures } from "@/server/figures";
import { nowMs } from "@/server/now";
import { Figures } from "@/ui/figures/Figures";
import { Desk } from "@/ui/shell/Desk";

export const dynamic = "force-dynamic";
export const metadata = { title: "What the figures say, Helvane" };

export default async function FiguresPage() {
  return (
    <Desk
      title="What the figures say"
      ways={[
        ["/stock", "Stock and orders"],
        ["/closed", "Closed jobs"],
      ]}
    >
      <Figures page={await readFigures(nowMs())} />
    </Desk>
  );
}
