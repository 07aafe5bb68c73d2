import { useState } from "react";
import type { Said } from "@/client/send";

/** What came of the last act of a form, until the next one. */
export function useSaid() {
  const [said, setSaid] = useState<Said | null>(null);
  return { said, setSaid };
}
