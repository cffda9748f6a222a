import "server-only";
import { headers } from "next/headers";

/** The network address that a request comes from: set by our own server, from the socket or from proxies that it trusts (server/http). */
export async function requestAddress(): Promise<string> {
  return (await headers()).get("x-oxbow-address") ?? "unknown";
}
