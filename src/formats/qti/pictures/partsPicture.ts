import { writeXml } from "../xml/writeXml";
import { xml } from "../xml/xml";

const SIDE = 40;
const MARGIN = 4;

/** Where one of the equal parts lies: left, top, right, lower edge, in pixels. */
export function partEdges(place: number, columns: number): readonly [number, number, number, number] {
  const [left, top] = [MARGIN + SIDE * (place % columns), MARGIN + SIDE * Math.floor(place / columns)];
  return [left, top, left + SIDE, top + SIDE];
}

/** Width and height of a figure, in pixels. */
export const partsSize = (parts: number, columns: number): readonly [number, number] => [
  2 * MARGIN + SIDE * columns,
  2 * MARGIN + SIDE * (parts / columns),
];

/** A figure of equal parts: black on white. */
export function partsPicture(parts: number, columns: number): string {
  const [width, height] = partsSize(parts, columns);
  return writeXml(
    xml(
      "svg",
      {
        xmlns: "http://www.w3.org/2000/svg",
        width: `${width}`,
        height: `${height}`,
        viewBox: `0 0 ${width} ${height}`,
      },
      ...Array.from({ length: parts }, (_, place) => {
        const [x, y] = partEdges(place, columns);
        return xml("rect", {
          x: `${x}`,
          y: `${y}`,
          width: `${SIDE}`,
          height: `${SIDE}`,
          fill: "white",
          stroke: "black",
        });
      }),
    ),
  );
}
