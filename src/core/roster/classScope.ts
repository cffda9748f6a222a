/** A subject that content is kept for, with the framework whose standards it follows here. */
export interface ScopeSubject {
  readonly id: string;
  readonly name: string;
  readonly frameworkId: string | null;
}

/** Shorter beginnings say nothing: "art" begins "artificial". */
const LEAST_LETTERS = 4;

/**
 * What classes are taught, out of the subjects that there is content for: those whose name a class's own word for its subject
 * begins, or that begin it ("Math", "Mathematics 6"). A word that fits none of them, as a homeroom's, leaves all of them open.
 *
 * @example classScope(["Math 6"], [{ id: "m", name: "Mathematics", frameworkId: null }, { id: "l", name: "Language", frameworkId: null }]).map(({ id }) => id) // ["m"]
 */
export function classScope(words: readonly string[], subjects: readonly ScopeSubject[]): ScopeSubject[] {
  const fits = ({ name }: ScopeSubject, word: string): boolean =>
    plain(word).some(
      (own) =>
        own.length >= LEAST_LETTERS && plain(name).some((other) => other.startsWith(own) || own.startsWith(other)),
    );
  const open = words.flatMap((word) => {
    const found = subjects.filter((subject) => fits(subject, word));
    return found.length > 0 ? found : subjects;
  });
  return subjects.filter((subject) => open.includes(subject));
}

const plain = (text: string): string[] =>
  text
    .normalize("NFD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter((word) => word !== "");
