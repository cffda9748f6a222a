import "server-only";
import { boolean, object, string } from "yup";
import { currentWords, passagesById } from "@/db/queries/passages";
import { added, changed } from "@/db/queries/rowChanges";
import type { Queryable } from "@/db/queryable";
import { bankSubject, demandBank } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { uuid, validated } from "@/server/runtime/validated";

const MOST_LETTERS = 40_000;

const input = object({
  passageId: uuid(),
  /** Where a new one goes; one that is there stays where it is. */
  bankId: string().nullable().default(null),
  title: string().trim().max(120, "A title has at most 120 letters.").required("Give the passage a title."),
  topic: string().trim().max(60, "Say the topic in a word or two.").default(""),
  language: string()
    .matches(/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/, "Choose a language.")
    .default("en"),
  text: string()
    .trim()
    .max(MOST_LETTERS, `A passage has at most ${MOST_LETTERS.toLocaleString("en-GB")} letters.`)
    .required("Write the passage."),
});

/** A text as paragraphs: an empty line, or the end of a line, ends one. */
export const paragraphsOf = (text: string): string[] =>
  text
    .split(/\n+/)
    .map((line) => line.replace(/\s+/g, " ").trim())
    .filter((line) => line !== "");

/** Writes a passage, or its next version, which everybody reads from then on. Nothing changed is no version. */
export async function keepPassage(
  context: Context,
  raw: unknown,
): Promise<{ changeId: string | null; version: number }> {
  const staff = demandStaff(context.actor);
  const { passageId, bankId, title, topic, language, text } = validated(input, raw);
  const { runtime } = context;
  return runtime.db.write(async (tx) => {
    const [known] = await passagesById(tx, [passageId]);
    const into = known ? known.bankId : (bankId ?? "");
    await demandBank(context, "change", into ?? "", tx);
    const [before] = await currentWords(tx, [passageId]);
    const words = { title, topic, language, body: paragraphsOf(text) };
    const isSame =
      before &&
      JSON.stringify(words) ===
        JSON.stringify({ title: before.title, topic: before.topic, language: before.language, body: before.body });
    if (before && isSame) return { changeId: null, version: before.number };
    const number = (before?.number ?? 0) + 1;
    const changeId = await recordChange(tx, context, {
      kind: "passage-kept",
      facts: { title: await saidTitle(context, tx, into, title), version: number },
      classId: null,
      subjectIds: into ? [into] : [],
      rows: [
        ...(known ? [] : [added("passages", { id: passageId, bankId: into, authorId: staff.personId })]),
        added("passageVersions", {
          id: `${passageId}@${number}`,
          passageId,
          number,
          ...words,
          createdAt: runtime.now(),
          authorId: staff.personId,
        }),
      ],
    });
    return { changeId, version: number };
  });
}

/** The history is read by more people than a restricted bank. */
async function saidTitle(context: Context, tx: Queryable, bankId: string | null, title: string): Promise<string> {
  return (await bankSubject(context, bankId ?? "", tx)).restricted ? "" : title;
}

const retiring = object({ passageId: string().required(), back: boolean().default(false) });

/** Retires a passage: it is offered to nobody any more, and items that hang on it keep it. Or brings a retired one `back`. */
export async function retirePassage(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { passageId, back } = validated(retiring, raw);
  const { runtime } = context;
  return runtime.db.write(async (tx) => {
    const [known] = await passagesById(tx, [passageId]);
    await demandBank(context, "change", known?.bankId ?? "", tx);
    const [words] = await currentWords(tx, [passageId]);
    if (!known || (known.retiredAt !== null) !== back)
      throw new Refusal("conflict", "Nothing was changed: that is so already.");
    const changeId = await recordChange(tx, context, {
      kind: back ? "passage-brought-back" : "passage-retired",
      facts: { title: await saidTitle(context, tx, known.bankId, words?.title ?? "") },
      classId: null,
      subjectIds: known.bankId ? [known.bankId] : [],
      rows: [changed("passages", known, { retiredAt: back ? null : runtime.now() })],
    });
    return { changeId };
  });
}
