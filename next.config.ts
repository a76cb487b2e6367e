import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: [
    "@electric-sql/pglite",
    "pg",
    "@node-rs/argon2",
    "pino",
    "proper-lockfile",
    "@aws-sdk/client-s3",
    // Parts of one page that two copies of it made do not know each other.
    "yjs",
    "lib0",
  ],
  turbopack: { root: import.meta.dirname },
  poweredByHeader: false,
  reactCompiler: true,
  // Several copies may be built side by side (a check beside a running demo).
  distDir: process.env.NEXT_DIST_DIR ?? ".next",
  // `npm run check` has a step of its own for types.
  typescript: { ignoreBuildErrors: true },
  // The drawing in the browser's tab is asked for with every change of the address unless it may be kept.
  headers: async () => [
    { source: "/satchel.svg", headers: [{ key: "cache-control", value: "public, max-age=86400" }] },
  ],
  experimental: {
    serverActions: { bodySizeLimit: "2mb" },
    // The largest file that is brought in, and a little more, so that what is larger is refused in words and not cut off.
    proxyClientMaxBodySize: "104mb",
  },
};

export default config;
