import { groupBy } from "@/core/collections/groupBy";
import { gradeCode } from "@/core/roster/gradeCode";
import { ownUri } from "./ownUri";
import { LINK_NAMES } from "./readCase";
import type { StandardLinkKind, StandardRecord, StandardsPackage, Unread } from "./standardsPackage";

const NAMES = Object.fromEntries(Object.entries(LINK_NAMES).map(([name, kind]) => [kind, name])) as Record<
  StandardLinkKind,
  string
>;

/**
 * A package of Competencies and Academic Standards Exchange, version 1.1, as JSON text: identifiers and what was kept unread as they came, the order
 * of the tree in sequence numbers from 1.
 */
export function writeCase({ document, standards, links, branches, unread }: StandardsPackage): string {
  const { caseId, title, unread: rest, ...texts } = document;
  const nameOf = new Map(standards.map((one) => [one.caseId, one.code || one.statement.slice(0, 80)]));
  const end = (id: string) => ({
    title: id === caseId ? title : (nameOf.get(id) ?? ""),
    identifier: id,
    uri: ownUri(id),
  });
  const children = groupBy(standards, ({ parentCaseId }) => parentCaseId);
  const sequence = new Map(
    [...children.values()].flatMap((row) => row.map((one, place) => [one.caseId, place + 1] as const)),
  );
  const tie = (id: string, unread: Unread, name: string, from: string, to: string, order?: number) => {
    const { originNodeURI, destinationNodeURI, ...kept } = unread;
    // An end keeps the title and the address that it came with, as long as it is the same one.
    const endOr = (node: string, came: unknown) => (isNamed(came, node) ? came : end(node));
    return {
      uri: ownUri(id),
      ...kept,
      identifier: id,
      associationType: name,
      ...(order === undefined ? {} : { sequenceNumber: order }),
      originNodeURI: endOr(from, originNodeURI),
      destinationNodeURI: endOr(to, destinationNodeURI),
    };
  };
  const tree = standards.flatMap((one) => {
    const branch = branches[one.caseId];
    // At the top nothing has to be said.
    if (!branch && one.parentCaseId === null) return [];
    const { caseId: id, unread: own } = branch ?? { caseId: `${one.caseId}-child`, unread: {} };
    return [tie(id, own, "isChildOf", one.caseId, one.parentCaseId ?? caseId, sequence.get(one.caseId))];
  });
  const ties = links.map((link) => tie(link.caseId, link.unread, NAMES[link.kind], link.fromCaseId, link.toCaseId));
  const whole = {
    ...unread.parts,
    CFDocument: { uri: ownUri(caseId), ...rest, identifier: caseId, title, ...given(texts) },
    CFItems: standards.map(itemOf),
    CFAssociations: [...tree, ...ties, ...unread.associations],
  };
  return `${JSON.stringify(whole, null, 2)}\n`;
}

function itemOf({ caseId, type, code, statement, gradeLow, gradeHigh, unread }: StandardRecord): object {
  const levels =
    gradeLow === null || gradeHigh === null
      ? {}
      : { educationLevel: Array.from({ length: gradeHigh - gradeLow + 1 }, (_, n) => gradeCode(gradeLow + n)) };
  return {
    uri: ownUri(caseId),
    ...levels,
    ...unread,
    identifier: caseId,
    fullStatement: statement,
    ...given({ humanCodingScheme: code, CFItemType: type }),
  };
}

const given = (texts: Readonly<Record<string, string>>): object =>
  Object.fromEntries(Object.entries(texts).filter(([, text]) => text !== ""));

const isNamed = (node: unknown, caseId: string): boolean =>
  typeof node === "object" && node !== null && (node as { readonly identifier?: unknown }).identifier === caseId;
