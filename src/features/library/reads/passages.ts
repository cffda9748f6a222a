import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import type { Passage } from "@/core/items/passage";
import { readability } from "@/core/reading/readability";
import {
  currentWords,
  itemsOnPassage,
  passagesById,
  passagesOfBanks,
  retiredPassages,
  versionsOfPassage,
} from "@/db/queries/passages";
import { demandBank, openBanks } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { cardsMade } from "@/server/library/itemCards";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { schoolOf } from "@/server/runtime/school";
import { cardKindWords } from "@/words/staff/itemWords";
import type { PassagesView, PassageView } from "../passageTypes";
import { STOCK } from "./finder";

/** The passages of the stock and of every bank that is open, those with the most items first. */
export async function passagesPage(context: Context): Promise<PassagesView> {
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  await cardsMade(runtime);
  const open = await openBanks(context, staff);
  const found = await passagesOfBanks(runtime.db.read, {
    bankIds: open.map(({ bank }) => bank.id),
    draftBankIds: open.flatMap(({ bank, mayChange }) => (mayChange ? [bank.id] : [])),
  });
  const changeable = open.filter(({ mayChange }) => mayChange).map(({ bank }) => bank);
  const retired = await retiredPassages(
    runtime.db.read,
    changeable.map(({ id }) => id),
  );
  return {
    retired: retired.map(({ id, title, bankId }) => ({
      id,
      title,
      bank: changeable.find((bank) => bank.id === bankId)?.name ?? "",
    })),
    passages: found.map(({ passage, version, items }) => ({
      id: passage.id,
      title: version.title,
      topic: version.topic,
      bank: open.find(({ bank }) => bank.id === passage.bankId)?.bank ?? STOCK,
      items,
      ...measured(version),
    })),
    ownBanks: open.filter(({ mayChange }) => mayChange).map(({ bank: { id, name } }) => ({ id, name })),
  };
}

/** A passage with the items that hang on it and who wrote it when. */
export async function passagePage(context: Context, passageId: string): Promise<PassageView> {
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  const db = runtime.db.read;
  const [passage] = await passagesById(db, [passageId]);
  await demandBank(context, "use", passage ? passage.bankId : "", db);
  await cardsMade(runtime);
  const [open, [words], versions, hanging, school] = await Promise.all([
    openBanks(context, staff),
    currentWords(db, [passageId]),
    versionsOfPassage(db, passageId),
    itemsOnPassage(db, passageId),
    schoolOf(runtime, staff.schoolId),
  ]);
  if (!passage || !words) throw new Refusal("not-found", "This passage is not in the library.");
  const bank = open.find((one) => one.bank.id === passage.bankId);
  const opened = new Set([null, ...open.map((one) => one.bank.id)]);
  const changeable = new Set(open.flatMap((one) => (one.mayChange ? [one.bank.id] : [])));
  return {
    id: passageId,
    title: words.title,
    topic: words.topic,
    language: words.language,
    paragraphs: words.body,
    bank: bank ? { id: bank.bank.id, name: bank.bank.name } : STOCK,
    version: words.number,
    mayChange: bank?.mayChange ?? false,
    isRetired: passage.retiredAt !== null,
    ...measured(words),
    items: hanging
      .filter(({ bankId, status }) => opened.has(bankId) && (status === "ready" || changeable.has(bankId ?? "")))
      .map(({ id, line, kind, status }) => ({ id, line, kind: cardKindWords(kind), isDraft: status === "draft" })),
    versions: versions.map(({ version, givenName, familyName }) => ({
      number: version.number,
      by: givenName === null ? "Oxbow" : `${givenName} ${familyName}`,
      when: format(new TZDate(version.createdAt, school.timeZone), "d MMM yyyy, HH:mm"),
    })),
  };
}

/** The words of a passage, for whoever may use its bank. */
export async function passageText(context: Context, passageId: string): Promise<Passage> {
  const db = context.runtime.db.read;
  demandStaff(context.actor);
  const [passage] = await passagesById(db, [passageId]);
  await demandBank(context, "use", passage ? passage.bankId : "", db);
  const [words] = await currentWords(db, [passageId]);
  if (!words) throw new Refusal("not-found", "This passage is not in the library.");
  return { title: words.title, paragraphs: words.body };
}

/** How long a text is, and how hard to read where the formulas, which are made for English, can say so. */
function measured({ body, language }: { readonly body: readonly string[]; readonly language: string }) {
  const text = body.join("\n");
  const words = text.split(/\s+/).filter((word) => word !== "").length;
  const found = language.startsWith("en") ? readability(text) : null;
  const readingGrade = found && !("noEstimate" in found) && !found.short ? Math.max(0, Math.round(found.grade)) : null;
  return { words, readingGrade };
}
