import "server-only";
import type { Actor } from "@/server/access/policy";
import type { Runtime } from "./runtime";

/** Who asks, and what the answer runs on. */
export interface Context {
  readonly runtime: Runtime;
  readonly actor: Actor;
  /** The network address that the request comes from, as our own server tells it; missing where nothing was asked over a network. */
  readonly address?: string;
}
