import "server-only";
import { join } from "node:path";

/** A worker's file in the sources. Given by name, so that the build leaves it as it is: it brings its own loader. */
export const workerFile = (name: string): string => join(process.cwd(), "src", "server", "runtime", name);
