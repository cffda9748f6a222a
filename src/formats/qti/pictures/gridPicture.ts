import { writeXml } from "../xml/writeXml";
import { xml } from "../xml/xml";

/** Distance of two lines and width of the margin, in pixels. */
export const APART = 40;
export const MARGIN = 40;

/** A coordinate grid with its numbers, lower left first: black on white. */
export function gridPicture(across: readonly string[], up: readonly string[]): string {
  const width = APART * (across.length - 1);
  const height = APART * (up.length - 1);
  const line = (x1: number, y1: number, x2: number, y2: number) =>
    xml("line", { x1: `${x1}`, y1: `${y1}`, x2: `${x2}`, y2: `${y2}`, stroke: "black", "stroke-width": "1" });
  const number = (text: string, x: number, y: number, anchor: string) =>
    xml("text", { x: `${x}`, y: `${y}`, "text-anchor": anchor, "font-size": "14", "font-family": "sans-serif" }, text);
  return writeXml(
    xml(
      "svg",
      {
        xmlns: "http://www.w3.org/2000/svg",
        width: `${width + 2 * MARGIN}`,
        height: `${height + 2 * MARGIN}`,
        viewBox: `0 0 ${width + 2 * MARGIN} ${height + 2 * MARGIN}`,
      },
      ...across.flatMap((text, place) => {
        const x = MARGIN + APART * place;
        return [line(x, MARGIN, x, MARGIN + height), number(text, x, MARGIN + height + 20, "middle")];
      }),
      ...up.flatMap((text, place) => {
        const y = MARGIN + APART * (up.length - 1 - place);
        return [line(MARGIN, y, MARGIN + width, y), number(text, MARGIN - 8, y + 5, "end")];
      }),
    ),
  );
}
