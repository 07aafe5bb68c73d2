import { PanelImport } from "@/ui/panels/PanelImport";

export const metadata = { title: "Read a table of panels, Helvane" };

export default function PanelImportPage() {
  return <PanelImport />;
}
