// @ts-check
import ipaddr from "ipaddr.js";

/**
 * The network address that a request comes from. Only as many entries of X-Forwarded-For are believed as proxies of our own
 * stand before this process: whatever lies further left may be made up by the sender.
 *
 * @param {string | undefined} socketAddress
 * @param {string | undefined} forwardedFor
 * @param {number} trustedProxies
 * @returns {string} IPv4, or IPv6 in short form; "unknown" where the socket is gone
 */
export function clientAddress(socketAddress, forwardedFor, trustedProxies) {
  const hops = (forwardedFor ?? "").split(",").map((part) => part.trim());
  const claimed = trustedProxies === 0 ? undefined : hops.at(-trustedProxies);
  return plain(claimed) ?? plain(socketAddress) ?? "unknown";
}

/** @param {string | undefined} text */
const plain = (text) => (text && ipaddr.isValid(text) ? ipaddr.process(text).toString() : null);
