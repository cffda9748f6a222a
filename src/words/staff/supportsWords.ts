import { isDay } from "@/core/calendar/isDay";
import { ITEM_SHARES, NO_SUPPORTS, type StudentSupports, TIME_FACTORS } from "@/core/model/supports";
import type { SupportsOfCell } from "@/core/roster/readRosterSheet";

/** Supports as one cell of a sheet: "time × 1.5; read aloud; items 75 %". "none" when there are none. */
export function wordsOfSupports(supports: StudentSupports): string {
  const parts = [
    ...(supports.timeFactor !== 1 ? [`time × ${supports.timeFactor}`] : []),
    ...(supports.readAloud ? ["read aloud"] : []),
    ...(supports.largerText ? ["larger text"] : []),
    ...(supports.itemShare !== 1 ? [`items ${Math.round(supports.itemShare * 100)} %`] : []),
    ...(supports.separateSetting ? ["separate setting"] : []),
    ...(supports.homeLanguage !== "" ? [`language: ${supports.homeLanguage}`] : []),
    ...(supports.leaveOutOfTests ? [`leave out of tests: ${supports.leaveOutReason}`] : []),
    ...(supports.leaveOutSubjectId === null ? [] : [`leave out in: ${supports.leaveOutSubjectId}`]),
    ...(supports.leaveOutUntil === null ? [] : [`leave out until: ${supports.leaveOutUntil}`]),
  ];
  return parts.length === 0 ? "none" : parts.join("; ");
}

/** The supports that a cell names; the part that is not understood otherwise. */
export function supportsOfWords(cell: string): StudentSupports | { readonly unknown: string } {
  const supports = { ...NO_SUPPORTS };
  for (const part of cell.split(";").map((text) => text.trim())) {
    const [, word = "", rest = ""] = /^([^:]*?)\s*(?::\s*(.*))?$/.exec(part) ?? [];
    const said = word.toLowerCase();
    const time = Number(/^(?:extra )?time\s*[×x*]?\s*([\d.]+)$/.exec(said)?.[1]);
    const share = Number(/^items\s*(\d+)\s*%$/.exec(said)?.[1]) / 100;
    if (part === "" || said === "none") continue;
    if (TIME_FACTORS.some((factor) => factor === time)) supports.timeFactor = time;
    else if (ITEM_SHARES.some((one) => one === share)) supports.itemShare = share;
    else if (said === "read aloud") supports.readAloud = true;
    else if (said === "larger text") supports.largerText = true;
    else if (said === "separate setting") supports.separateSetting = true;
    else if (said === "language" && rest !== "") supports.homeLanguage = rest;
    else if (said === "leave out of tests" && rest !== "") {
      supports.leaveOutOfTests = true;
      supports.leaveOutReason = rest;
    } else if (said === "leave out in" && rest !== "") supports.leaveOutSubjectId = rest;
    else if (said === "leave out until" && isDay(rest)) supports.leaveOutUntil = rest;
    else return { unknown: part };
  }
  return supports;
}

/** A cell of supports as we write it ourselves, or the part of it that is no support. */
export function supportsOfCell(cell: string): ReturnType<SupportsOfCell> {
  const supports = supportsOfWords(cell);
  return "unknown" in supports ? supports : { cell: wordsOfSupports(supports) };
}
