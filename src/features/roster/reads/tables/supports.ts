import "server-only";
import { NO_SUPPORTS } from "@/core/model/supports";
import type { SupportsRow } from "@/db/queries/roster";
import { supportsOfWords, wordsOfSupports } from "@/words/staff/supportsWords";
import type { RosterTable } from "./rosterTable";

/** What students need: no file of the standard speaks of it, only a plain sheet. */
export const supports: RosterTable<SupportsRow> = {
  name: "supports",
  file: "supports",
  isReferredTo: false,
  keepsSource: false,
  rows: (all) => all.supports,
  holds: () => true,
  columns: (row, { keyOf }) => ({ userSourcedId: keyOf(row.personId), supports: wordsOfSupports(row) }),
  schoolOf: () => "",
  isActive: () => true,
  own: (values, { ids }, row) => {
    const read = supportsOfWords(values.supports ?? "");
    if ("unknown" in read) return {};
    return { ...(row ? {} : { personId: ids("users")(values.userSourcedId) }), ...read };
  },
  fresh: (own, id) => (own.personId ? { id, ...NO_SUPPORTS, ...own } : null),
  end: () => null,
  back: () => ({}),
};
