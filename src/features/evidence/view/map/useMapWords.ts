"use client";
import { parseAsString, parseAsStringLiteral, useQueryState } from "nuqs";
import { LEVELS } from "@/core/model/levels";
import { COLUMN_ORDERS } from "./mapColumns";

export const WHO = ["all", ...LEVELS, "too-little"] as const;
const SORTS = ["need", "name", "change"] as const;

/** What decides in the map, all of it in the address. */
export function useMapWords(currentSkillId: string) {
  const [skillId, setSkillId] = useQueryState("skill", parseAsString.withDefault(currentSkillId));
  const [sort, setSort] = useQueryState("sort", parseAsStringLiteral(SORTS).withDefault("need"));
  const [who, setWho] = useQueryState("who", parseAsStringLiteral(WHO).withDefault("all"));
  const [find, setFind] = useQueryState("find", parseAsString.withDefault(""));
  const [cell, setCell] = useQueryState("cell", parseAsString);
  /** The level by which skills are gathered; "skills" for none. */
  const [by, setBy] = useQueryState("by", parseAsString.withDefault("skills"));
  /** The level and the group whose skills alone are shown; empty for all. */
  const [within, setWithin] = useQueryState("in", parseAsString.withDefault(""));
  const [order, setOrder] = useQueryState("columns", parseAsStringLiteral(COLUMN_ORDERS).withDefault("plan"));
  return {
    ...{ skillId, sort, who, find, cell, by, within, order },
    ...{ setSkillId, setSort, setWho, setFind, setCell, setBy, setWithin, setOrder },
  };
}
export type MapWords = ReturnType<typeof useMapWords>;
