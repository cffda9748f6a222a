import "server-only";
import ipaddr from "ipaddr.js";
import type { PlanPlace } from "@/core/model/planPlace";

/** Whether a text is a range of network addresses, such as "10.20.0.0/16", or a single address. */
export function isNetwork(text: string): boolean {
  return ipaddr.isValid(text) || ipaddr.isValidCIDR(text);
}

/** Where somebody is, told by the school's networks; "both" where it has named none, so that nothing tells. */
export function placeOfAddress(networks: readonly string[], address: string | undefined): PlanPlace {
  if (networks.length === 0) return "both";
  if (address === undefined || !ipaddr.isValid(address)) return "home";
  const own = ipaddr.process(address);
  return networks.some((network) => {
    if (ipaddr.isValid(network)) return ipaddr.process(network).toString() === own.toString();
    const [range, bits] = ipaddr.parseCIDR(network);
    return range.kind() === own.kind() && own.match(range, bits);
  })
    ? "school"
    : "home";
}
