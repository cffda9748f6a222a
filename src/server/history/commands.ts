import "server-only";
import type { ChangeRow } from "@/db/queries/history";
import type { Queryable } from "@/db/queryable";
import type { CommandName } from "@/db/schema/history";
import type { Runtime } from "../runtime/runtime";
import { takeDropBack } from "../summaries/dropItem";
import { takeRescoreBack } from "../summaries/rescore";

type TakeBack = (tx: Queryable, runtime: Runtime, change: ChangeRow) => Promise<void>;

/** How changes are taken back that many rows followed from. */
export const TAKE_BACK: Readonly<Record<CommandName, TakeBack>> = {
  rescore: takeRescoreBack,
  drop: takeDropBack,
};
