/** What a talk can be about: an item of a piece of work, or a mistake in a skill. */
export type TalkAbout =
  | { readonly work: string; readonly item: string; readonly part?: string }
  | { readonly skill: string; readonly mistake: string };

/** Where the students concerned and the item as they saw it are on screen; `students` narrows to some of them. */
export function talkHref(classKey: string, about: TalkAbout, students: readonly string[] = []): string {
  const asked = new URLSearchParams({ ...about });
  if (students.length > 0) asked.set("only", students.join(","));
  return `/desk/${classKey}/evidence/talk?${asked}`;
}
