import loadHighs from "highs";

/** Solves linear models off the server's own thread, one after the other: a hard one must not hold up a class's answers. */
const highs = await loadHighs();

/** @param {{ text: string, options: Record<string, number> }} model */
export default function solve({ text, options }) {
  const { Status, Columns } = highs.solve(text, options);
  const columns = Object.entries(Columns).flatMap(([name, column]) =>
    typeof column.Primal === "number" ? [[name, column.Primal]] : [],
  );
  return { status: Status, columns };
}
