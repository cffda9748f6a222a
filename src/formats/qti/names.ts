/**
 * A stable id as a name that the standard allows: letters, digits, points, lines and hyphens, beginning with a letter. What is none
 * already is written letter by letter, so that it can be read back.
 * @example qtiName("7 boats") // "x-7_20_boats"
 */
export function qtiName(id: string): string {
  if (/^[A-Za-z][\w.-]*$/.test(id) && !id.startsWith("x-")) return id;
  const letters = [...id].map((letter) =>
    /[A-Za-z0-9.-]/.test(letter) ? letter : `_${(letter.codePointAt(0) ?? 0).toString(16)}_`,
  );
  return `x-${letters.join("")}`;
}

/**
 * The id that a name was made from; any other name is its own id.
 * @example ownId("x-7_20_boats") // "7 boats"
 */
export function ownId(name: string): string {
  if (!name.startsWith("x-")) return name;
  return name.slice(2).replace(/_([0-9a-f]{1,6})_/g, (whole, code: string) => {
    const point = Number.parseInt(code, 16);
    return point <= 0x10ffff ? String.fromCodePoint(point) : whole;
  });
}

const RESPONSE = "RESPONSE_";

/** The variable that holds what was answered to a part, or to one gap of it. */
export const responseName = (partId: string, gapId?: string): string =>
  `${RESPONSE}${qtiName(partId)}${gapId === undefined ? "" : `.of.${qtiName(gapId)}`}`;

/** The gap that a variable is about; the variable's own name where it was not made here. */
export const gapOfResponse = (name: string): string => ownId(name.split(".of.").at(-1) ?? name);
