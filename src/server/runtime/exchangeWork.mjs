// The work of an exchange thread: a package of thousands of items must not hold up a class's answers.
import { readItemFile } from "../../formats/exchange/readItemFile.ts";
import { writePackage } from "../../formats/qti/writePackage.ts";
import { readCase } from "../../formats/standards/readCase.ts";

/** @param {{ framework?: Uint8Array, write?: { title: string, items: readonly object[], pictures: readonly object[] }, read?: { kind: string, fileName: string, bytes: Uint8Array }, port?: import("node:worker_threads").MessagePort }} task What to write or to read, and where to say how far it is. */
export default async function exchange({ framework, write, read, port }) {
  if (framework) return readCase(framework);
  if (write) return writePackage(write.title, write.items, write.pictures);
  const reading = await readItemFile(read, (done, of) => port?.postMessage({ done, of }));
  port?.close();
  return reading;
}
