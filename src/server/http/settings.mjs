// @ts-check

/**
 * @typedef {object} ServerSettings
 * @property {number} port
 * @property {boolean} secure Whether browsers reach the application over TLS, as its public address says.
 * @property {string | null} publicOrigin Origin that browsers see, where it is set up.
 * @property {number} trustedProxies How many proxies of our own stand before this process.
 */

/**
 * The settings that the HTTP server itself needs. The application checks the others (`runtime/environment.ts`).
 *
 * @param {Readonly<Record<string, string | undefined>>} env
 * @param {readonly string[]} argv
 * @returns {ServerSettings}
 */
export function serverSettings(env, argv) {
  const flag = argv.indexOf("-p");
  const publicOrigin = env.OXBOW_PUBLIC_ADDRESS || null;
  const proxies = env.OXBOW_TRUSTED_PROXIES || "0";
  if (!/^\d$/.test(proxies))
    throw new Error("OXBOW_TRUSTED_PROXIES must say how many proxies stand before Oxbow: 0 to 9.");
  return {
    port: Number(flag >= 0 ? argv[flag + 1] : (env.PORT ?? 3000)),
    secure: publicOrigin?.startsWith("https:") ?? false,
    publicOrigin,
    trustedProxies: Number(proxies),
  };
}
