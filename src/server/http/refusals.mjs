// @ts-check

/**
 * @typedef {object} HttpRefusal
 * @property {number} status
 * @property {string} message
 */

/** Bodies of whoever shows no session: a sign-in is a few hundred bytes. */
const STRANGER_BYTES = 16_000;
const SAFE_METHODS = new Set(["GET", "HEAD", "OPTIONS"]);
const METHODS = new Set([...SAFE_METHODS, "POST"]);

/**
 * What is wrong with a request before the application sees it; null when nothing is. Bodies are not read here.
 *
 * @param {{ method?: string | undefined, url?: string | undefined, headers: Readonly<Record<string, string | string[] | undefined>> }} request
 * @param {{ publicOrigin: string | null }} settings
 * @returns {HttpRefusal | null}
 */
export function refusalOf({ method = "GET", url = "", headers }, { publicOrigin }) {
  if (!METHODS.has(method)) return { status: 405, message: "Oxbow knows no such kind of request." };
  if (!isReadable(url))
    return {
      status: 400,
      message: "This address can't be read. It may have been cut off; open the page from the start.",
    };
  const site = text(headers["sec-fetch-site"]);
  const foreign = { status: 403, message: "This request does not come from a page of Oxbow, so nothing was done." };
  // Files are fetched by a plain link: another page must not be able to start that in somebody's name.
  if (url.startsWith("/api/") && site && site !== "same-origin" && site !== "none") return foreign;
  if (SAFE_METHODS.has(method)) return null;
  // Pages take nothing but calls of their own actions, which the browser's part of a page makes once it has been loaded.
  if (!url.startsWith("/api/") && headers["next-action"] === undefined)
    return { status: 400, message: "This page was not loaded completely. Go back, load it once more and try again." };
  if (!isOwn(text(headers.origin), text(headers.host), publicOrigin)) return foreign;
  if (/(?:^|;\s*)(?:__Host-)?oxbow_session=/.test(text(headers.cookie) ?? "")) return null;
  const length = text(headers["content-length"]);
  if (length === undefined && headers["transfer-encoding"] !== undefined)
    return { status: 411, message: "This message does not tell its length, so it was not read." };
  if (Number(length ?? 0) > STRANGER_BYTES)
    return { status: 413, message: "This message is too large, so it was not read. Sign in first." };
  return null;
}

/** @param {string | string[] | undefined} value */
const text = (value) => (Array.isArray(value) ? value[0] : value);

/**
 * Browsers send the origin with everything that writes; what sends none is no page of ours.
 *
 * @param {string | undefined} origin
 * @param {string | undefined} host
 * @param {string | null} publicOrigin
 */
function isOwn(origin, host, publicOrigin) {
  if (!origin) return false;
  if (origin === publicOrigin) return true;
  return URL.canParse(origin) && new URL(origin).host === host;
}

/** @param {string} url Path and query. */
function isReadable(url) {
  if (!url.startsWith("/")) return false;
  try {
    return !/[\0\\]/.test(decodeURIComponent(url.split("?", 1)[0] ?? ""));
  } catch {
    return false;
  }
}
