import "server-only";

/** Letters that a child does not mix up when copying them from the board. */
const CODE_LETTERS = "ACDEFHJKLMNPRTUWXY";
const LETTERS = 6;

/** Draws class codes, none of them taken and none twice. */
export function newClassCode(random: () => number, taken: Set<string>): () => string {
  return () => {
    for (;;) {
      const code = Array.from({ length: LETTERS }, () => CODE_LETTERS[Math.floor(random() * CODE_LETTERS.length)]).join(
        "",
      );
      if (taken.has(code)) continue;
      taken.add(code);
      return code;
    }
  };
}
