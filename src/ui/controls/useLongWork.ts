import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Said } from "@/client/send";

/** Work of the server that takes a while: what is being done, what came of it, and the page read anew afterwards. */
export function useLongWork(): {
  said: Said | null;
  /** What is being done, in words; null when nothing is. */
  busy: string | null;
  doing: (words: string, work: () => Promise<Said>) => Promise<void>;
} {
  const router = useRouter();
  const [said, setSaid] = useState<Said | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const doing = async (words: string, work: () => Promise<Said>) => {
    setBusy(words);
    setSaid(null);
    setSaid(await work());
    setBusy(null);
    router.refresh();
  };
  return { said, busy, doing };
}
