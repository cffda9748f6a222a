import { join } from "node:path";
import type { SubjectContent } from "@/server/content/contentTypes";
import { installContent } from "@/server/content/installContent";
import { readContent } from "@/server/content/readContent";
import type { Runtime } from "@/server/runtime/runtime";
import { root } from "~/scripts/steps.mjs";

let shipped: readonly SubjectContent[] | null = null;

/** The content that ships with Oxbow, read once. */
export function shippedContent(): readonly SubjectContent[] {
  shipped ??= readContent(join(root, "content"));
  return shipped;
}

/** Puts the shipped teaching content into a database. */
export const installShippedContent = (runtime: Runtime) => installContent(runtime, shippedContent());
