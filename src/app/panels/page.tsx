import { listPanels } from "@/server/panels";
import { PanelList } from "@/ui/panels/PanelList";

export const dynamic = "force-dynamic";
export const metadata = { title: "Panels, Helvane" };

export default async function PanelsPage({ searchParams }: { searchParams: Promise<{ after?: string }> }) {
  const { after } = await searchParams;
  return <PanelList {...(await listPanels(after ?? ""))} />;
}
