import { inflateSync } from "node:zlib";

/** Text of a PDF through the character maps its fonts carry. */
export function pdfText(pdf: Buffer): string {
  const raw = pdf.toString("latin1");
  const objects = new Map<string, { head: string; body: string }>();
  for (const m of raw.matchAll(/(\d+) 0 obj\s([\s\S]*?)endobj/g)) {
    const [, n, text] = m as unknown as [string, string, string];
    const at = text.indexOf("stream\n");
    const bytes = at < 0 ? null : Buffer.from(text.slice(at + 7, text.lastIndexOf("\nendstream")), "latin1");
    objects.set(n, {
      head: at < 0 ? text : text.slice(0, at),
      body: bytes ? (/FlateDecode/.test(text.slice(0, at)) ? safeInflate(bytes) : bytes.toString("latin1")) : "",
    });
  }
  const fonts = new Map<string, Map<string, string>>();
  for (const o of objects.values())
    for (const f of o.head.matchAll(/\/(F\d+) (\d+) 0 R/g)) {
      const to = /\/ToUnicode (\d+) 0 R/.exec(objects.get(f[2]!)?.head ?? "");
      if (to) fonts.set(f[1]!, charMap(objects.get(to[1]!)!.body));
    }
  let out = "";
  for (const o of objects.values()) {
    if (!o.body.includes("BT")) continue;
    let map = new Map<string, string>();
    for (const t of o.body.matchAll(/\/(F\d+) [\d.]+ Tf|<([0-9a-f]+)>/gi)) {
      if (t[1]) map = fonts.get(t[1]) ?? map;
      else for (const g of t[2]!.match(/.{4}/g) ?? []) out += map.get(g.toLowerCase()) ?? "";
    }
  }
  return out;
}
function safeInflate(b: Buffer): string {
  try {
    return inflateSync(b).toString("latin1");
  } catch {
    return "";
  }
}
function charMap(cmap: string): Map<string, string> {
  const map = new Map<string, string>();
  const text = (hex: string) => Buffer.from(hex, "hex").swap16().toString("utf16le");
  for (const r of cmap.matchAll(/<([0-9a-f]{4})> <([0-9a-f]{4})> \[([^\]]*)\]/gi)) {
    let code = Number.parseInt(r[1]!, 16);
    for (const u of r[3]!.matchAll(/<([0-9a-f]+)>/gi)) map.set((code++).toString(16).padStart(4, "0"), text(u[1]!));
  }
  return map;
}
