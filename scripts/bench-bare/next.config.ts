import { join } from "node:path";

const config = {
  serverExternalPackages: ["@libsql/client", "libsql"],
  turbopack: { root: join(import.meta.dirname, "../..") },
};
export default config;
