import { parentPort } from "node:worker_threads";
import loadHighs from "highs";

/** Solves linear models off the server's own thread, one after the other: a hard one must not hold up a class's answers. */
const highs = await loadHighs();

parentPort?.on("message", ({ id, text, options }) => {
  try {
    const { Status, Columns } = highs.solve(text, options);
    const columns = Object.entries(Columns).flatMap(([name, column]) =>
      typeof column.Primal === "number" ? [[name, column.Primal]] : [],
    );
    parentPort?.postMessage({ id, status: Status, columns });
  } catch (problem) {
    parentPort?.postMessage({ id, problem: String(problem) });
  }
});
