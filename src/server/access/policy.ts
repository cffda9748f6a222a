/** Who is asking. Staff carry the classes they teach; that is all their rights hang on. */
export type Actor =
  | {
      readonly kind: "staff";
      readonly personId: string;
      readonly schoolId: string;
      readonly name: string;
      readonly classIds: readonly string[];
    }
  | { readonly kind: "student"; readonly personId: string; readonly schoolId: string; readonly name: string };

export type Verb = "see" | "change" | "work-on";

/** What is asked about, with just what the rules need to know of it. */
export type Subject =
  | { readonly kind: "class"; readonly classId: string }
  /** A student with all classes the student is in. */
  | { readonly kind: "student"; readonly personId: string; readonly classIds: readonly string[] }
  /** One student's run at a piece of work. */
  | { readonly kind: "sitting"; readonly personId: string; readonly classId: string }
  /** Something that a member of staff has not finished yet, such as a roster file on its way in. */
  | { readonly kind: "draft"; readonly ownerId: string };

/**
 * The whole of who may what, in words:
 * - Teachers and co-teachers see and change their own classes, and the students in them.
 * - Teachers see the work of students of their own classes; nobody works in a student's place.
 * - Students work on what was given to them and see nothing of anyone else.
 * - A draft belongs to whoever began it.
 */
export function may(actor: Actor, verb: Verb, subject: Subject): boolean {
  switch (subject.kind) {
    case "class":
      return actor.kind === "staff" && verb !== "work-on" && actor.classIds.includes(subject.classId);
    case "student":
      return actor.kind === "staff" && verb !== "work-on" && subject.classIds.some((id) => actor.classIds.includes(id));
    case "sitting":
      return actor.kind === "student"
        ? verb !== "change" && actor.personId === subject.personId
        : verb === "see" && actor.classIds.includes(subject.classId);
    case "draft":
      return actor.kind === "staff" && actor.personId === subject.ownerId;
  }
}
