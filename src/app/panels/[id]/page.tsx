import { notFound } from "next/navigation";
import { readPanel } from "@/server/panels";
import { PanelEditor } from "@/ui/panels/PanelEditor";

export const dynamic = "force-dynamic";
export const metadata = { title: "Panel, Helvane" };

export default async function PanelPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (id === "new") return <PanelEditor key="new" panel={null} version={0} />;
  const row = await readPanel(id);
  if (!row) notFound();
  return <PanelEditor key={id} panel={row.data} version={row.version} />;
}
