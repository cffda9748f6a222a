// @ts-check
// Not TypeScript: the framework would compile it anew at each start, a tenth of a second while children wait.

/** @type {import("next").NextConfig} */
const config = {
  serverExternalPackages: [
    "@libsql/client",
    "libsql",
    "@node-rs/argon2",
    "highs",
    "tsx",
    "exceljs",
    "nodemailer",
    "pino",
    "piscina",
  ],
  reactStrictMode: true,
  // `npm test` checks all types at once; once more here costs half a minute of every build.
  typescript: { ignoreBuildErrors: true },
  poweredByHeader: false,
  experimental: {
    serverActions: { bodySizeLimit: "6mb" },
    // Reading every page at the start takes half a second of the time in which nobody is answered after a fault.
    preloadEntriesOnStart: false,
  },
};

export default config;
