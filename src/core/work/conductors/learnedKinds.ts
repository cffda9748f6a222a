import { WORK_KINDS, type WorkKind } from "../../model/work";
import { conductorOf } from "./conductorOf";

/** Kinds of work that somebody learns from; whoever is only measured is not held up in it. */
export const LEARNED_KINDS: readonly WorkKind[] = WORK_KINDS.filter((kind) => conductorOf(kind).tells.verdict);
