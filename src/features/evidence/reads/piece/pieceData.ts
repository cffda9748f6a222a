import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { askedText } from "@/core/items/askedText";
import type { DrawnItem } from "@/core/items/drawItem";
import { responseWords } from "@/core/items/responseWords";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { mistakesShown, type ShownRow, shownInPart } from "@/db/queries/pieces";
import {
  assignmentById,
  type GivenWork,
  type PartRow,
  partsOfWorks,
  pickedItemsOf,
  type TargetRow,
  targetsWithSittings,
} from "@/db/queries/work";
import { demandWork } from "@/server/access/workAccess";
import { shortNames } from "@/server/classroom/names";
import { markedPart, type OwnPart, partsOfTargets } from "@/server/classroom/partsOfTargets";
import { drawerOf } from "@/server/library/drawnItems";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { expectedOf } from "../expectedOf";
import type { ReportFrame } from "../frame";

/** A first try at an item of a piece of work, as people read it. */
export interface FirstTry extends ShownRow {
  /** The item over all who had it: the version, and the draw where all had the same. */
  readonly key: string;
  readonly item: DrawnItem | null;
  readonly stem: string;
  readonly answer: string;
  /** What was given; empty where it was left open. */
  readonly given: string;
  readonly right: boolean;
  /** Counts for or against: not what is open still, waits for a person, or was set aside. */
  readonly counts: boolean;
  readonly misconceptionId: string | null;
  /** What the item is expected to take. */
  readonly expectedSeconds: number;
}

export interface PieceTarget {
  readonly target: TargetRow;
  readonly personId: string;
  readonly name: string;
  readonly own: OwnPart | undefined;
}

export interface PieceData {
  readonly work: GivenWork;
  readonly part: PartRow;
  readonly parts: readonly PartRow[];
  readonly targets: readonly PieceTarget[];
  /** How many the frame leaves out. */
  readonly hidden: number;
  readonly tries: readonly FirstTry[];
  /** The same items for everybody who has the same form. */
  readonly isPlaced: boolean;
  /** Versions and draws that weigh nothing any more. */
  readonly leftOut: ReadonlySet<string>;
}

const drawKey = ({ versionId, seed }: { readonly versionId: string; readonly seed: number }) => `${versionId}~${seed}`;

/** Everything of one part of a piece of work that its report is made of. The frame narrows whom, not what was given to whom. */
export async function pieceData(
  context: Context,
  assignmentId: string,
  { partId = null, frame = null }: { readonly partId?: string | null; readonly frame?: ReportFrame | null } = {},
): Promise<PieceData> {
  const { runtime } = context;
  const db = runtime.db.read;
  const work = await assignmentById(db, assignmentId);
  if (!work || work.withdrawnAt !== null || work.isTrial)
    throw new Refusal("not-found", "This work is not there, or was withdrawn.");
  const sees = await demandWork(context, "see", work);
  const given = (await targetsWithSittings(db, [assignmentId])).filter(({ person }) => sees(person.id));
  const narrowed = frame !== null && (frame.params.groupId !== null || frame.params.studentIds.length > 0);
  const inSight = new Set(narrowed ? frame.students.map(({ id }) => id) : given.map(({ person }) => person.id));
  const shown = given.filter(({ person }) => inSight.has(person.id));
  const [parts, own] = await Promise.all([
    partsOfWorks(db, [work.workId]),
    partsOfTargets(
      db,
      work,
      given.map(({ target }) => target.id),
      runtime.now(),
    ),
  ]);
  // Of several tests the latest that somebody is through with is what one wants to read.
  const written = parts.filter(
    (one) =>
      conductorOf(one.kind).standsWhole &&
      [...own.values()].some((all) => all.some(({ part, marks }) => part.id === one.id && marks.length > 0)),
  );
  const usual = written.at(-1) ?? markedPart([...own.values()][0] ?? [])?.part ?? parts[0];
  const part = parts.find(({ id }) => id === partId) ?? usual;
  if (!part) throw new Refusal("not-found", "This work has no parts.");
  const placed = await pickedItemsOf(db, part.id, null);
  const isPlaced = placed.length > 0;
  const names = shortNames(given.map(({ person }) => person));
  return {
    work,
    part,
    parts,
    isPlaced,
    leftOut: new Set(placed.filter(({ points }) => points === 0).map(drawKey)),
    hidden: given.length - shown.length,
    targets: shown.map(({ target, person }) => ({
      target,
      personId: person.id,
      name: names.get(person.id) ?? "",
      own: own.get(target.id)?.find((one) => one.part.id === part.id),
    })),
    tries: await firstTries(
      context,
      part,
      shown.map(({ target }) => target.id),
      isPlaced,
    ),
  };
}

async function firstTries(
  { runtime }: Context,
  part: PartRow,
  targetIds: readonly string[],
  isPlaced: boolean,
): Promise<FirstTry[]> {
  const rows = await shownInPart(runtime.db.read, part.id, targetIds);
  const [drawer, library, mistakes] = await Promise.all([
    drawerOf(
      runtime,
      rows.map(({ versionId }) => versionId),
    ),
    libraryOf(runtime),
    mistakesShown(
      runtime.db.read,
      rows.map(({ id }) => id),
    ),
  ]);
  const mistakeOf = groupBy(mistakes, ({ sittingItemId }) => sittingItemId);
  const texts = new Map<string, { stem: string; answer: string; expectedSeconds: number }>();
  return rows.map((row): FirstTry => {
    const item = drawer.drawIfKnown(row);
    const of = `${drawKey(row)}~${row.context}`;
    const known = texts.get(of) ?? {
      stem: item ? askedText(item) : "This item is not in the library any more.",
      answer: item?.parts.map(({ keyText }) => keyText).join("; ") ?? "",
      expectedSeconds: expectedOf(item, library.skillIfKnown(row.skillId)?.grade ?? null),
    };
    texts.set(of, known);
    return {
      ...row,
      ...known,
      item,
      key: isPlaced ? drawKey(row) : row.versionId,
      given: item && row.response ? responseWords(item, row.response).join("; ") : "",
      right: row.earned !== null && row.earned === row.possible,
      // What a test that was handed in leaves blank is wrong; what nobody has scored yet is neither.
      counts: !row.setAside && row.earned !== null,
      misconceptionId: mistakeOf.get(row.id)?.[0]?.misconceptionId ?? null,
    };
  });
}
