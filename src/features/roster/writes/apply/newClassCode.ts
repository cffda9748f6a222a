import "server-only";
import { CLASS_CODE_LENGTH, CLASS_CODE_SIGNS } from "@/core/roster/classCode";

/** Draws class codes, none of them taken and none twice. */
export function newClassCode(random: () => number, taken: Set<string>): () => string {
  const sign = () => CLASS_CODE_SIGNS[Math.floor(random() * CLASS_CODE_SIGNS.length)];
  return () => {
    for (;;) {
      const code = Array.from({ length: CLASS_CODE_LENGTH }, sign).join("");
      if (taken.has(code)) continue;
      taken.add(code);
      return code;
    }
  };
}
