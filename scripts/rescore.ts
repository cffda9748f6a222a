import { readEnvironment } from "@/server/runtime/environment";
import { openRuntime } from "@/server/runtime/runtime";
import { rescoreItem } from "@/server/summaries/rescore";

/** Judges old answers to an item by its present key: `npm run rescore -- unit-rates/for-one`. */
const [, , itemId = ""] = process.argv;
const runtime = await openRuntime(readEnvironment());
const { answers, changed, students } = await rescoreItem(runtime, itemId);
console.log(`${answers} answers to earlier versions: ${changed} scores changed, of ${students} students.`);
runtime.db.close();
