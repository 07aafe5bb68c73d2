import { notFound } from "next/navigation";
import { readDrills } from "@/server/drills";
import { readReference } from "@/server/reference";
import { readWeights } from "@/server/weights";
import { Rehearsal } from "@/ui/builds/Rehearsal";

export const dynamic = "force-dynamic";
export const metadata = { title: "Rehearsal, Helvane" };

export default async function RehearsePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const row = (await readReference()).builds.find((b) => b.id === id);
  if (!row) notFound();
  return <Rehearsal build={row.data} drills={await readDrills(id)} weights={await readWeights()} />;
}
