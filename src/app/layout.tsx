import type { Metadata, Viewport } from "next";
import { cookies, headers } from "next/headers";
import type { ReactNode } from "react";
import { readHabits } from "@/server/habits";
import { HeatElsewhere } from "@/ui/shell/HeatElsewhere";
import { TypedEarly } from "@/ui/shell/TypedEarly";
import { NOTE_EARLY } from "@/ui/shell/typedEarlyNote";
import "./globals.css";

export const metadata: Metadata = { title: "Helvane", description: "Panel repair, from the first look to the hand-over" };
export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const chosen = (await cookies()).get("helvane-theme")?.value;
  const theme = chosen === "dim" || chosen === "light" ? chosen : "auto";
  // A page that says that the database is in trouble is shown all the same.
  const { dateOrder, lengths } = await readHabits().catch(() => ({ dateOrder: "dmy", lengths: "mm" }));
  const nonce = (await headers()).get("x-nonce") ?? undefined;
  return (
    <html lang="en" data-theme={theme} data-date-order={dateOrder} data-lengths={lengths} suppressHydrationWarning>
      <body>
        {/* biome-ignore lint/security/noDangerouslySetInnerHtml: a constant of our own, before all other scripts */}
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: NOTE_EARLY }} />
        <HeatElsewhere />
        {children}
        <TypedEarly />
      </body>
    </html>
  );
}
