// Plain JavaScript: a start does not translate it first.
/** @type {import("next").NextConfig} */
const config = {
  serverExternalPackages: ["better-sqlite3", "pdfkit", "sharp"],
  poweredByHeader: false,
  // Files that never come past the proxy.
  headers: async () => [{ source: "/_next/:path*", headers: [{ key: "x-content-type-options", value: "nosniff" }] }],
  reactStrictMode: true,
  devIndicators: false,
  // Types are checked once, by `tsc` in `npm test`, not a second time inside the build.
  // The proxy hands bodies on; tables of panels and exported jobs are larger than its 10 MB. Routes set their own limits.
  // Pages are loaded when they are first asked for: loading all of them made every start a third longer.
  experimental: { proxyClientMaxBodySize: "48mb", preloadEntriesOnStart: false },
  typescript: { ignoreBuildErrors: true },
};

export default config;
