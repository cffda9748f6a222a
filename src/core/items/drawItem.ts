import { writeNumber } from "../answers/writeNumber";
import { CoreError } from "../model/fail";
import { seededRandom } from "../numeric/seededRandom";
import { drawParameters, numberFrom, type ParameterValues } from "./drawParameters";
import { fillText } from "./fillText";
import type { ItemImage, ItemVersion, PartBody } from "./itemBody";
import type { ItemKind } from "./itemKind";
import type { DrawSetting } from "./room";
import { type DrawnOf, roomOf } from "./rooms";

export interface PictureStrip {
  readonly label: string;
  readonly count: number;
  readonly per: number | null;
}

/** A part of a drawn item. */
export interface DrawnPart<Kind extends ItemKind = ItemKind> {
  readonly id: string;
  readonly kind: Kind;
  readonly prompt: string | null;
  readonly points: number;
  /** Skills that it tells about; null for the one that the item was chosen for. */
  readonly skillIds: readonly string[] | null;
  readonly drawn: DrawnOf[Kind];
  readonly keyText: string;
}

/** A concrete item as drawn from a version. */
export interface DrawnItem {
  readonly versionId: string;
  readonly itemId: string;
  readonly seed: number;
  readonly context: string;
  readonly stem: string;
  readonly hint: string;
  readonly solution: string;
  readonly picture: readonly PictureStrip[];
  readonly images: readonly ItemImage[];
  /** Rows of the table in the stem; "?" marks the cell asked for. Empty without a table. */
  readonly table: readonly { readonly label: string; readonly cells: readonly string[] }[];
  readonly values: ParameterValues;
  readonly parts: readonly DrawnPart[];
}

const MOST_SQUARES = 40;

/**
 * The item that a version gives for a seed (a whole number) and a context; without a context, the seed chooses one. Throws
 * "bad-item" when the body breaks its own rules.
 */
export function drawItem(version: ItemVersion, seed: number, wantedContext?: string): DrawnItem {
  const { body, itemId } = version;
  const values = drawParameters(version, seed);
  const random = seededRandom(`${itemId}#${seed}#presentation`);
  const contexts = Object.keys(body.contexts);
  const drawnContext = contexts[Math.floor(random() * contexts.length)];
  const context = wantedContext !== undefined && wantedContext in body.contexts ? wantedContext : drawnContext;
  const words = context === undefined ? undefined : body.contexts[context];
  if (context === undefined || !words) throw new CoreError("bad-item", `${itemId} has no context.`, { itemId });
  const say = (text: string) => fillText(text, values, words);
  const setting = { values, words, say, random, itemId };
  return {
    versionId: version.id,
    itemId,
    seed,
    context,
    stem: say(body.stem),
    hint: say(body.hint),
    solution: say(body.solution),
    picture: drawPicture(version, values, say),
    images: (body.images ?? []).map(({ picture, alt }) => ({ picture, alt: say(alt) })),
    table: (body.table ?? []).map(({ label, cells }) => ({
      label: say(label),
      cells: cells.map((cell) => (cell === "?" ? cell : writeNumber(numberFrom(cell, values), "mixed"))),
    })),
    values,
    parts: body.parts.map((part) => drawPart(part, setting)),
  };
}

/** A picture with a row missing shows a comparison that is not there: it is drawn whole or not at all. */
function drawPicture({ body }: ItemVersion, values: ParameterValues, say: (text: string) => string): PictureStrip[] {
  const rows = body.picture ?? [];
  const strips = rows.flatMap((row) => {
    const count = numberFrom(row.count, values).valueOf();
    const per = row.per === undefined ? null : numberFrom(row.per, values).valueOf();
    return count <= MOST_SQUARES && Number.isInteger(count) ? [{ label: say(row.label), count, per }] : [];
  });
  return strips.length === rows.length ? strips : [];
}

function drawPart(part: PartBody, setting: DrawSetting): DrawnPart {
  const drawn = roomOf(part.kind).draw(part, setting);
  return {
    id: part.id,
    kind: part.kind,
    prompt: part.prompt === undefined ? null : setting.say(part.prompt),
    points: part.points ?? 1,
    skillIds: part.skillIds ?? null,
    drawn: drawn as DrawnPart["drawn"],
    keyText: drawn.keyText,
  };
}
