import { type NextRequest, NextResponse } from "next/server";
import { answersTo, SESSION_COOKIE, sessionHolds } from "@/server/session";

/** Set by the start script on its second listener; never trusted from outside, because that listener overwrites it. */
export const VIA = "x-helvane-via";

/** The address a request came from, and whether it came encrypted, set there as well. */
export const ADDRESS = "x-helvane-address";
export const SCHEME = "x-helvane-scheme";

/** Open on the bench network without a passcode: no job data behind them; the calendar has an address nobody can guess. */
const OPEN = [
  /^\/calendar\/[0-9a-f]{32}\.ics$/,
  /^\/pattern(\.html|\/.*)?$/,
  /^\/unlock$/,
  /^\/api\/unlock$/,
  /^\/_next\/static\//,
];

const csp = (nonce: string, dev: boolean) =>
  [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${dev ? " 'unsafe-eval'" : ""}`,
    `style-src-elem 'self' 'nonce-${nonce}'${dev ? " 'unsafe-inline'" : ""}`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "form-action 'self'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
    "object-src 'none'",
  ].join("; ");

const say = (status: number, problem: string) => NextResponse.json({ problem }, { status });

export async function proxy(req: NextRequest): Promise<NextResponse> {
  const path = req.nextUrl.pathname;
  const host = req.headers.get("host") ?? "";
  const lan = req.headers.get(VIA) === "bench-network";
  if (!lan && !/^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/.test(host))
    return say(421, `This server does not answer for the host "${host.slice(0, 100)}".`);
  if (lan && !(await answersTo(host)))
    return say(
      421,
      `This machine is not known as "${host.slice(0, 100)}". Use one of the addresses in its Settings, or add the name there.`,
    );
  const scheme = lan && req.headers.get(SCHEME) === "https" ? "https" : "http";
  if (req.method !== "GET" && req.method !== "HEAD") {
    const origin = req.headers.get("origin");
    if (origin && origin !== `${scheme}://${host}`) return say(403, "A write from another origin is refused.");
    const site = req.headers.get("sec-fetch-site");
    if (site && site !== "same-origin" && site !== "none") return say(403, "A write from another site is refused.");
    if (
      req.method !== "DELETE" &&
      !/^(application\/json|application\/zip|text\/csv|image\/(jpeg|png|webp))\b/i.test(req.headers.get("content-type") ?? "")
    )
      return say(415, "Only JSON, zip, a CSV table or a picture is taken here.");
  }
  if (lan && !OPEN.some((p) => p.test(path)) && !(await sessionHolds(req.cookies.get(SESSION_COOKIE)?.value))) {
    if (path.startsWith("/api/")) return say(401, "This device is not let in. Open the bench address and type the passcode.");
    return NextResponse.redirect(new URL("/unlock", `${scheme}://${host}`));
  }
  const nonce = btoa(String.fromCharCode(...crypto.getRandomValues(new Uint8Array(16))));
  const policy = csp(nonce, process.env.NODE_ENV === "development");
  const headers = new Headers(req.headers);
  headers.set("x-nonce", nonce);
  headers.set("content-security-policy", policy);
  const res = NextResponse.next({ request: { headers } });
  res.headers.set("content-security-policy", policy);
  res.headers.set("x-content-type-options", "nosniff");
  res.headers.set("referrer-policy", "no-referrer");
  res.headers.set("cross-origin-opener-policy", "same-origin");
  return res;
}

export const config = { matcher: ["/((?!_next/static|_next/image|favicon.ico).*)"] };
