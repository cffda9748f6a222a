import type { ExchangeRemarkCode, ImportRemarkCode, ItemFileProblem } from "@/core/items/exchangeRemark";
import { message } from "../message";
import { EXCHANGE_MESSAGES } from "./exchangeMessages";
import { remarkWords } from "./rosterWords";

/** A remark on an item of a file, as a sentence. */
export function exchangeWords({
  code,
  at = "",
  line,
}: {
  readonly code: ExchangeRemarkCode | ImportRemarkCode;
  readonly at?: string;
  readonly line?: number;
}): string {
  return message(EXCHANGE_MESSAGES[code], {
    at,
    atGiven: at === "" ? "no" : "yes",
    line: line ?? 0,
    lineGiven: line === undefined ? "no" : "yes",
  });
}

/** Why a file of items can't be read at all, and what can be done. */
export function fileProblemWords(why: ItemFileProblem): string {
  switch (why.kind) {
    case "zip":
    case "sheet":
      return remarkWords(why.remark);
    case "no-manifest":
      return "This zip is no content package: it has no imsmanifest.xml. Take the items out of the other program once more, as QTI.";
    case "no-items":
      return "The package lists no items. Was the right thing taken out of the other program?";
    case "bad-manifest":
      return `The package's list of contents, imsmanifest.xml, is broken at line ${why.line}.`;
    case "too-many-items":
      return `The package has ${why.items.toLocaleString("en-GB")} items; ${why.most.toLocaleString("en-GB")} can be read at once. Split it.`;
    case "columns-not-known":
      return "The sheet needs a first row of headers, with a column “Question” and one “Answer”.";
  }
}
