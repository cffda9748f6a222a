import "server-only";
import type { ItemBody } from "@/core/items/itemBody";
import { standardsOfItems } from "@/db/queries/itemCards";
import { itemsById, skillRowsOf, standardsById, studentsByVersion, versionsOfItem } from "@/db/queries/items";
import { standardsOfFramework } from "@/db/queries/library";
import { currentWords, titlesOfPassages } from "@/db/queries/passages";
import type { Queryable } from "@/db/queryable";
import { demandBank, openBanks } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { libraryOf } from "@/server/library/library";
import { readyToLook } from "@/server/library/lookOver";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { EditorView } from "../itemTypes";

/** A new item: a number to be written, which is the quickest to make; everything can be changed. */
const BLANK: ItemBody = {
  parameters: {},
  stem: "",
  contexts: { plain: {} },
  difficultyOffset: "0",
  hint: "",
  solution: "",
  parts: [{ id: "a", kind: "number", answer: "", right: "", misconceptions: [] }],
};

/** What the editor starts from: the open draft of an item, or the version in use, or a blank one. */
export async function itemEditor(
  context: Context,
  {
    itemId,
    bankId,
    skillId,
    passageId = null,
  }: {
    readonly itemId: string | null;
    readonly bankId: string | null;
    readonly skillId: string | null;
    readonly passageId?: string | null;
  },
): Promise<EditorView> {
  const staff = demandStaff(context.actor);
  readyToLook();
  const { runtime } = context;
  const db = runtime.db.read;
  const [library, open] = await Promise.all([libraryOf(runtime), openBanks(context, staff)]);
  const ownBanks = open.filter(({ mayChange }) => mayChange).map(({ bank: { id, name } }) => ({ id, name }));
  const followed = library.subjectsAt(staff.schoolId).flatMap(({ frameworkId }) => frameworkId ?? []);
  const standardRows = await Promise.all(followed.map((id) => standardsOfFramework(db, id)));
  const shared = {
    standardChoices: standardRows
      .flat()
      .flatMap(({ id, code, statement }) => (code === "" ? [] : [{ id, code, statement }])),
    ownBanks,
    skills: library.skillsAt(staff.schoolId).map(({ id, name, grade, standards }) => ({
      id,
      name,
      grade,
      code: standards[0]?.code ?? "",
    })),
    misconceptions: [...library.misconceptions.values()].map(({ id, name }) => ({ id, name })),
  };
  const titles = await titlesOfPassages(
    db,
    open.map(({ bank }) => bank.id),
  );
  if (itemId === null) {
    const bank = ownBanks.find(({ id }) => id === bankId) ?? ownBanks[0] ?? { id: runtime.newId(), name: "" };
    return {
      ...shared,
      ...(await passageChoices(db, titles, titles.some(({ id }) => id === passageId) ? passageId : null)),
      itemId: runtime.newId(),
      bank,
      isNew: true,
      versionInUse: null,
      studentsInUse: 0,
      standards: [],
      draft: {
        revision: 0,
        body: BLANK,
        depth: null,
        calculator: false,
        language: "en",
        skillIds: library.skills.some(({ id }) => id === skillId) && skillId !== null ? [skillId] : [],
        standardIds: [],
        passageId: titles.some(({ id }) => id === passageId) ? passageId : null,
      },
    };
  }
  const [item] = await itemsById(db, [itemId]);
  await demandBank(context, "change", item?.bankId ?? "", db);
  const [versions, skillRows, written] = await Promise.all([
    versionsOfItem(db, itemId),
    skillRowsOf(db, [itemId]),
    standardsOfItems(db, [itemId]),
  ]);
  const [latest] = versions;
  if (!item || !latest) throw new Refusal("not-found", "This item is not in the library.");
  const inUse = versions.find(({ version }) => version.status === "ready")?.version;
  const [met] = inUse ? await studentsByVersion(db, [inUse.id]) : [];
  const { version } = latest;
  const alignment = version.alignment ?? {
    skillIds: skillRows.map(({ skillId: id }) => id),
    standardIds: written.map(({ standardId }) => standardId),
  };
  const standards = await standardsById(db, alignment.standardIds);
  return {
    ...shared,
    ...(await passageChoices(db, titles, version.passageId)),
    itemId,
    bank: ownBanks.find(({ id }) => id === item.bankId) ?? { id: item.bankId ?? "", name: "" },
    isNew: false,
    versionInUse: inUse?.number ?? null,
    studentsInUse: met?.students ?? 0,
    standards: standards.map(({ id, code, statement }) => ({ id, code, statement })),
    draft: {
      revision: version.status === "draft" ? version.revision : 0,
      body: version.body,
      depth: version.depth,
      calculator: version.calculator,
      language: version.language,
      passageId: version.passageId,
      ...alignment,
    },
  };
}

/** What there is to hang on; what the item hangs on stays among it, retired or of a bank that is closed by now. */
async function passageChoices(
  db: Queryable,
  titles: EditorView["passages"],
  passageId: string | null,
): Promise<Pick<EditorView, "passage" | "passages">> {
  const [words] = await currentWords(db, passageId === null ? [] : [passageId]);
  if (!words) return { passage: null, passages: titles };
  const passage = { id: words.passageId, title: words.title, paragraphs: words.body };
  const isThere = titles.some(({ id }) => id === passage.id);
  return { passage, passages: isThere ? titles : [{ id: passage.id, title: passage.title }, ...titles] };
}
