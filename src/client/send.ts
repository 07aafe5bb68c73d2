/** What came of an act: good, or what is wrong and where. */
export interface Said {
  ok: boolean;
  words: string;
  details?: readonly { where: string; message: string }[];
  link?: string;
}

/**
 * Sends JSON to this server. What went wrong comes back as words to show, with its places where the server names them.
 * @example const r = await send<{ version: number }>("PUT", "/api/tools", stock); if (!r.ok) return setSaid(r.said);
 */
export async function send<T>(
  method: "POST" | "PUT",
  address: string,
  body: unknown,
): Promise<{ ok: true; body: T } | { ok: false; said: Said }> {
  const res = await fetch(address, {
    method,
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  }).catch(() => null);
  if (!res) return { ok: false, said: { ok: false, words: "The server was not reached. What you entered is kept here." } };
  const reply = await res.json().catch(() => null);
  if (res.ok) return { ok: true, body: reply as T };
  return { ok: false, said: { ok: false, words: reply?.problem ?? "Not saved.", details: reply?.details ?? [] } };
}
