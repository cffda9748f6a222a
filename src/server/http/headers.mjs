// @ts-check

/**
 * Headers of every response. Scripts run by the nonce of their page only; styles may stand in the page, since charts and
 * formulas place their parts by them (docs/security.md).
 *
 * @param {{ nonce: string, secure: boolean, dev: boolean }} of
 * @returns {Readonly<Record<string, string>>}
 */
export function safeHeaders({ nonce, secure, dev }) {
  const policy = {
    "default-src": "'self'",
    "script-src": `'self' 'nonce-${nonce}' 'strict-dynamic'${dev ? " 'unsafe-eval'" : ""}`,
    "style-src": "'self' 'unsafe-inline'",
    "img-src": "'self' data: blob:",
    "font-src": "'self'",
    "connect-src": `'self'${dev ? " ws:" : ""}`,
    "worker-src": "'self' blob:",
    "object-src": "'none'",
    "base-uri": "'none'",
    "form-action": "'self'",
    "frame-ancestors": "'none'",
  };
  return {
    "content-security-policy": Object.entries(policy)
      .map(([name, sources]) => `${name} ${sources}`)
      .join("; "),
    ...commonHeaders(secure),
  };
}

/**
 * Headers of what is no page, the same for every answer: nothing in it may run or load anything.
 *
 * @param {{ secure: boolean }} of
 * @returns {Readonly<Record<string, string>>}
 */
export const dataHeaders = ({ secure }) => ({
  "content-security-policy": "default-src 'none'; frame-ancestors 'none'",
  ...commonHeaders(secure),
});

/**
 * @param {boolean} secure
 * @returns {Readonly<Record<string, string>>}
 */
function commonHeaders(secure) {
  return {
    "x-content-type-options": "nosniff",
    "x-frame-options": "DENY",
    "referrer-policy": "same-origin",
    "cross-origin-opener-policy": "same-origin",
    "cross-origin-resource-policy": "same-origin",
    // The camera reads sign-in cards.
    "permissions-policy": "camera=(self), microphone=(), geolocation=(), payment=(), usb=()",
    ...(secure ? { "strict-transport-security": "max-age=31536000; includeSubDomains" } : {}),
  };
}

/** Parts of the application itself, the same for everybody; all else may hold children's data. */
export const isShared = (/** @type {string} */ url) =>
  url.startsWith("/_next/static/") || url.startsWith("/_next/image");
