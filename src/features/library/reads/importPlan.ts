import "server-only";
import { createHash } from "node:crypto";
import { groupBy } from "@/core/collections/groupBy";
import type { ExchangeRemark, ImportRemarkCode } from "@/core/items/exchangeRemark";
import type { ItemBody } from "@/core/items/itemBody";
import { mapMisconceptions } from "@/core/items/mapMisconceptions";
import { knownInBank, standardsByName } from "@/db/queries/itemExchange";
import type { VersionRow } from "@/db/queries/items";
import type { LibraryDraftRow } from "@/db/queries/libraryDrafts";
import { currentWords, passagesInBank } from "@/db/queries/passages";
import type { Queryable } from "@/db/queryable";
import type { ItemAlignment } from "@/db/schema/items";
import type { ExchangeItem, ExchangePassage } from "@/formats/exchange/exchangeItem";
import { rowOfItem } from "@/formats/exchange/rowOfItem";
import { sameContent } from "@/formats/qti/source";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import type { LookedRead } from "./itemDrafts";

/** What becomes of an item of a file. */
export type Fate = "in-use" | "draft" | "new-version" | "unchanged" | "left-out";

type PlanRemark = ExchangeRemark | { readonly code: ImportRemarkCode; readonly at?: string };

export interface PlannedItem {
  readonly read: LookedRead;
  readonly item: ExchangeItem | null;
  readonly fate: Fate;
  readonly alignment: ItemAlignment;
  readonly remarks: readonly PlanRemark[];
  /** The item that it is a further version of. */
  readonly known: { readonly itemId: string; readonly version: VersionRow } | null;
}

/** A passage of the file: the id that it has or gets here, and whether its words come in. */
export interface PlannedPassage {
  readonly passage: ExchangePassage;
  readonly id: string;
  readonly fate: "new" | "changed" | "unchanged";
  /** Of the words that are here; 0 for none. */
  readonly version: number;
}

export interface ImportPlan {
  readonly items: readonly PlannedItem[];
  /** By their ids in the file. */
  readonly passages: ReadonlyMap<string, PlannedPassage>;
  /** Changes when anything that would be done does. */
  readonly fingerprint: string;
}

/** What becomes of every item of a file as things stand now: what is there already, under which skill each comes, what keeps it from use. */
export async function importPlan(
  { runtime }: Pick<Context, "runtime">,
  db: Queryable,
  draft: LibraryDraftRow & { readonly bankId: string },
  reads: readonly LookedRead[],
): Promise<ImportPlan> {
  const items = reads.flatMap(({ item }) => item ?? []);
  const names = items.flatMap(({ standards }) => standards);
  const [library, known, standards] = await Promise.all([
    libraryOf(runtime),
    knownInBank(
      db,
      draft.bankId,
      items.map(({ id }) => id),
    ),
    standardsByName(
      db,
      names.map(({ code }) => code),
      names.flatMap(({ caseId }) => caseId ?? []),
    ),
  ]);
  const knownById = new Map(known.flatMap((one) => [[one.outsideId ?? one.id, one] as const, [one.id, one] as const]));
  const around: Around = {
    skillNames: new Map(
      library.skills.flatMap(({ id, name }) => [[id, id] as const, [name.toLowerCase(), id] as const]),
    ),
    mistakes: new Map(
      [...library.misconceptions.values()].flatMap(({ id, name }) => [
        [id, id] as const,
        [name.toLowerCase(), id] as const,
      ]),
    ),
    byCode: groupBy(standards, ({ code }) => code),
    byCaseId: groupBy(standards, ({ caseId }) => caseId ?? ""),
    bySkill: groupBy(standards, ({ skillId }) => skillId ?? ""),
    defaultSkill: draft.skillId,
  };
  const passages = await plannedPassages(db, draft.bankId, items, runtime.newId);
  const planned = reads.map((read) => plannedItem(read, knownById.get(read.item?.id ?? ""), { ...around, passages }));
  const fingerprint = createHash("sha256")
    .update(
      JSON.stringify([
        planned.map(({ fate, alignment, known: old }) => [fate, alignment, old?.version.id]),
        [...passages.values()].map(({ fate, version }) => [fate, version]),
      ]),
    )
    .digest("base64url")
    .slice(0, 20);
  return { items: planned, passages, fingerprint };
}

/** Passages that items of the file hang on, told by their ids from those of the bank. */
async function plannedPassages(
  db: Queryable,
  bankId: string,
  items: readonly ExchangeItem[],
  newId: () => string,
): Promise<Map<string, PlannedPassage>> {
  const wanted = new Map(items.flatMap(({ passage }) => (passage ? [[passage.id, passage] as const] : [])));
  const known = await passagesInBank(db, bankId, [...wanted.keys()]);
  const words = new Map(
    (
      await currentWords(
        db,
        known.map(({ id }) => id),
      )
    ).map((row) => [row.passageId, row]),
  );
  return new Map(
    [...wanted].map(([id, passage]) => {
      const own = known.find((one) => one.id === id || one.outsideId === id);
      const now = own ? words.get(own.id) : undefined;
      const isSame =
        now !== undefined &&
        sameContent([now.title, now.language, now.body], [passage.title, passage.language, passage.paragraphs]);
      const fate = !own ? "new" : isSame ? "unchanged" : "changed";
      return [id, { passage, id: own?.id ?? newId(), fate, version: now?.number ?? 0 }] as const;
    }),
  );
}

interface Around {
  readonly skillNames: ReadonlyMap<string, string>;
  readonly mistakes: ReadonlyMap<string, string>;
  readonly byCode: ReadonlyMap<string, readonly { readonly id: string; readonly skillId: string | null }[]>;
  readonly byCaseId: Around["byCode"];
  readonly bySkill: Around["byCode"];
  readonly defaultSkill: string | null;
}

type Known = Awaited<ReturnType<typeof knownInBank>>[number];

function plannedItem(
  read: LookedRead,
  known: Known | undefined,
  around: Around & Pick<ImportPlan, "passages">,
): PlannedItem {
  const none: ItemAlignment = { skillIds: [], standardIds: [] };
  if (!read.item) return { read, item: null, fate: "left-out", alignment: none, remarks: read.remarks, known: null };
  const remarks: PlanRemark[] = [...read.remarks];
  const body = withKnownMistakes(read.item.body, around, remarks);
  const alignment = alignmentOf(read.item, around, remarks);
  const item = { ...read.item, body };
  const old = known ? { itemId: known.id, version: known.version } : null;
  const done = (fate: Fate): PlannedItem => ({ read, item, fate, alignment, remarks, known: old });
  const passageId = around.passages.get(item.passage?.id ?? "")?.id ?? null;
  if (known && known.version.passageId === passageId && saysTheSame(item, known)) return done("unchanged");
  if (known?.version.status === "draft") {
    remarks.unshift({ code: "has-open-draft" });
    return done("left-out");
  }
  if (read.isTooSlow || read.failed > 0) remarks.unshift({ code: read.isTooSlow ? "takes-too-long" : "does-not-draw" });
  if (read.failed > 0) return known ? done("left-out") : done("draft");
  if (known) return done("new-version");
  if (alignment.skillIds.length > 0) return done("in-use");
  remarks.unshift({ code: "no-skill" });
  return done("draft");
}

/** A row says the same where what it can say is the same: ids of options are not among it. */
function saysTheSame(item: ExchangeItem, { version }: Known): boolean {
  const rest = { depth: item.depth, calculator: item.calculator, language: item.language };
  const isSame = sameContent(rest, {
    depth: version.depth,
    calculator: version.calculator,
    language: version.language,
  });
  if (isSame && sameContent(item.body, version.body)) return true;
  const [one, other] = [item, { ...item, ...rest, body: version.body as ItemBody }].map(rowOfItem);
  return isSame && one !== null && sameContent(one, other);
}

function withKnownMistakes(body: ItemBody, { mistakes }: Around, remarks: PlanRemark[]): ItemBody {
  return mapMisconceptions(body, (id) => {
    const found = mistakes.get(id) ?? mistakes.get(id.toLowerCase()) ?? null;
    if (found === null && !remarks.some(({ code, at }) => code === "mistake-not-known" && at === id))
      remarks.push({ code: "mistake-not-known", at: id });
    return found;
  });
}

/** Skills that it names, or that its standards lead to, or the one chosen for the whole file. */
function alignmentOf(item: ExchangeItem, around: Around, remarks: PlanRemark[]): ItemAlignment {
  const skillIds = new Set<string>();
  const standardIds = new Set<string>();
  for (const name of item.skillIds) {
    const id = around.skillNames.get(name) ?? around.skillNames.get(name.toLowerCase());
    if (id === undefined) remarks.push({ code: "no-such-skill", at: name });
    else skillIds.add(id);
  }
  const led = new Set<string>();
  for (const { code, caseId } of item.standards) {
    const found = (caseId === null ? undefined : around.byCaseId.get(caseId)) ?? around.byCode.get(code);
    if (!found) remarks.push({ code: "no-such-standard", at: code });
    for (const { id, skillId } of found ?? []) {
      standardIds.add(id);
      if (skillId !== null) led.add(skillId);
    }
  }
  if (skillIds.size === 0) for (const id of [...led].slice(0, 1)) skillIds.add(id);
  if (skillIds.size === 0 && around.defaultSkill !== null) skillIds.add(around.defaultSkill);
  // Standards of its skills are the item's without being said again.
  const known = [...skillIds].filter((id) => around.skillNames.has(id));
  const covered = new Set(known.flatMap((id) => (around.bySkill.get(id) ?? []).map((standard) => standard.id)));
  return { skillIds: known, standardIds: [...standardIds].filter((id) => !covered.has(id)) };
}
