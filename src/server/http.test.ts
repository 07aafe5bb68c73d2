import { describe, expect, it } from "vitest";
import { z } from "zod";
import { isJobId, readBytes, readJson } from "./http";

const post = (body: BodyInit, headers: Record<string, string> = {}) =>
  new Request("http://127.0.0.1/x", { method: "POST", body, headers });
const said = async (r: { ok: true } | { ok: false; response: Response }) =>
  r.ok ? { status: 200, text: "ok" } : { status: r.response.status, text: await r.response.text() };
const Shape = z.strictObject({ n: z.int().min(1) });

describe("readBytes", () => {
  it("stops at the limit, whether the length was said or not", async () => {
    expect(await said(await readBytes(post(new Uint8Array(2_000_001)), 2_000_000))).toMatchObject({
      status: 413,
      text: expect.stringContaining("larger than 2 MB"),
    });
    let sent = 0;
    const endless = new ReadableStream<Uint8Array>({
      pull(c) {
        sent += 1;
        c.enqueue(new Uint8Array(100_000));
      },
    });
    const req = new Request("http://127.0.0.1/x", { method: "POST", body: endless, duplex: "half" } as RequestInit);
    expect(await said(await readBytes(req, 1_000_000))).toMatchObject({ status: 413 });
    expect(sent).toBeLessThan(20);
  });
  it("takes what fits, byte for byte", async () => {
    const r = await readBytes(post(new Uint8Array([1, 2, 255])), 3);
    expect(r.ok && [...r.value]).toEqual([1, 2, 255]);
    const none = await readBytes(new Request("http://127.0.0.1/x", { method: "POST" }), 3);
    expect(none.ok && none.value.length).toBe(0);
  });
});

describe("readJson", () => {
  it("wants its type, readable JSON and the right shape, and names the field", async () => {
    expect(await said(await readJson(post('{"n":1}', { "content-type": "text/plain" }), Shape))).toMatchObject({ status: 415 });
    expect(await said(await readJson(post("{", { "content-type": "application/json" }), Shape))).toMatchObject({
      status: 400,
      text: expect.stringContaining("not readable as JSON"),
    });
    expect(await said(await readJson(post('{"n":0}', { "content-type": "application/json" }), Shape))).toMatchObject({
      status: 400,
      text: expect.stringContaining('"where":"n"'),
    });
    expect(await said(await readJson(post('{"n":1,"more":2}', { "content-type": "application/json" }), Shape))).toMatchObject({
      status: 400,
    });
    expect(await readJson(post('{"n":4}', { "content-type": "application/json; charset=utf-8" }), Shape)).toEqual({
      ok: true,
      value: { n: 4 },
    });
  });
});

describe("isJobId", () => {
  it("is a UUID and no path", () => {
    expect(isJobId("01900000-0000-7000-8000-000000000001")).toBe(true);
    for (const bad of [
      "",
      "..",
      "01900000-0000-7000-8000-00000000000",
      "01900000-0000-7000-8000-000000000001/../x",
      "01900000-0000-7000-8000-00000000000G",
    ])
      expect(isJobId(bad)).toBe(false);
  });
});
