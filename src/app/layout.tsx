import type { Metadata, Viewport } from "next";
import { cookies } from "next/headers";
import type { ReactNode } from "react";
import { readHabits } from "@/server/habits";
import "./globals.css";

export const metadata: Metadata = { title: "Helvane", description: "Panel repair, from the first look to the hand-over" };
export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const chosen = (await cookies()).get("helvane-theme")?.value;
  const theme = chosen === "dim" || chosen === "light" ? chosen : "auto";
  // A page that says that the database is in trouble is shown all the same.
  const dateOrder = await readHabits().then(
    (h) => h.dateOrder,
    () => "dmy",
  );
  return (
    <html lang="en" data-theme={theme} data-date-order={dateOrder} suppressHydrationWarning>
      <body>{children}</body>
    </html>
  );
}
