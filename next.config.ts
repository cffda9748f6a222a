import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: [
    "@libsql/client",
    "libsql",
    "@node-rs/argon2",
    "highs",
    "tsx",
    "exceljs",
    "nodemailer",
    "pino",
  ],
  reactStrictMode: true,
  poweredByHeader: false,
  experimental: { serverActions: { bodySizeLimit: "6mb" } },
};

export default config;
