import { PANEL_COLUMNS } from "@/core/panel";
import { seededRandom } from "./randomActs";

/** A table of `n` invented panels as CSV; every `wrongEvery`-th row has one cell that cannot be right. */
export function panelCsv(n: number, wrongEvery: number, seed = 7): string {
  const random = seededRandom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const columns = [
    "code",
    "source",
    "diagonal_in",
    "outline_width_mm",
    "outline_height_mm",
    "thickness_mm",
    "pixels_h",
    "pixels_v",
    "family",
    "contacts",
    "pitch_mm",
    "contact_side",
    "logic_supply_v",
    "finish",
    "tabs",
    "in_the_box",
  ];
  if (columns.some((c) => !PANEL_COLUMNS.includes(c))) throw new Error("a column of the test table is not a column");
  const lines = [columns.join(",")];
  for (let i = 0; i < n; i++) {
    const code = `${pick(["GV", "TQ", "PD", "ZE"])}${pick(["116", "133", "140", "156"])}${pick(["FHB", "WHA", "BGB"])}-${String.fromCharCode(65 + (i % 26))}${i}`;
    const contacts = wrongEvery && i % wrongEvery === wrongEvery - 1 ? "many" : pick(["30", "40"]);
    lines.push(
      [
        code,
        pick(["D", "S", "M"]),
        pick(["11.6", "13.3", "14", "15.6"]),
        (280 + Math.round(random() * 400) / 10).toFixed(1),
        (170 + Math.round(random() * 300) / 10).toFixed(1),
        "3.0",
        "1920",
        "1080",
        pick(["eDP", "LVDS"]),
        contacts,
        "0.5",
        pick(["shell", "glass"]),
        "3.3",
        pick(["matt", "glossy"]),
        '"left 12 8 6.5; right 12 8 6.5"',
        '"films; tape"',
      ].join(","),
    );
  }
  return `${lines.join("\r\n")}\r\n`;
}
