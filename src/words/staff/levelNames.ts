import type { Level } from "@/core/model/levels";

/** Names of the levels of mastery; a school may give its own. */
export const LEVEL_NAMES: Readonly<Record<Level, string>> = {
  beginning: "Beginning",
  developing: "Developing",
  secure: "Secure",
  extending: "Extending",
};
