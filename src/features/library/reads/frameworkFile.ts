import "server-only";
import { frameworkById, linksOfFramework, standardsOfFramework } from "@/db/queries/library";
import type { StandardLinkRecord } from "@/formats/standards/standardsPackage";
import { writeCase } from "@/formats/standards/writeCase";
import { demandStaff } from "@/server/access/demand";
import { exchangeId } from "@/server/library/exchangeId";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";

/** A framework as a file of the open format for standards, with identifiers that stay the same. */
export async function frameworkFile({ runtime, actor }: Context, frameworkId: string) {
  demandStaff(actor);
  const db = runtime.db.read;
  const framework = await frameworkById(db, frameworkId);
  if (!framework) throw new Refusal("not-found", "This framework is not in the library.");
  const [rows, links] = await Promise.all([standardsOfFramework(db, frameworkId), linksOfFramework(db, frameworkId)]);
  const caseIds = new Map(rows.map(({ id, caseId }) => [id, caseId ?? exchangeId(id)]));
  const named = (id: string) => caseIds.get(id) ?? exchangeId(id);
  const text = writeCase({
    document: {
      caseId: framework.caseId ?? exchangeId(framework.id),
      title: framework.title,
      version: framework.version,
      language: framework.language,
      creator: framework.creator || framework.title,
      unread: framework.unread?.document ?? {},
    },
    standards: rows.map(({ id, parentId, type, code, statement, gradeLow, gradeHigh, unread }) => ({
      caseId: named(id),
      parentCaseId: parentId === null ? null : named(parentId),
      type,
      code,
      statement,
      gradeLow,
      gradeHigh,
      unread: unread ?? {},
    })),
    links: [
      ...links.map(({ fromId, fromCaseId, toId, toCaseId, kind, caseId, unread }) => ({
        caseId: caseId ?? exchangeId(`${fromId} ${kind} ${toId}`),
        kind,
        fromCaseId: fromCaseId ?? exchangeId(fromId),
        toCaseId: toCaseId ?? exchangeId(toId),
        unread: unread ?? {},
      })),
      ...((framework.unread?.links ?? []) as readonly StandardLinkRecord[]),
    ],
    branches: Object.fromEntries(
      rows.flatMap(({ id, parentId, branch, caseId }) =>
        // What came without an association at the top goes out without one.
        branch === null && caseId !== null && parentId === null
          ? []
          : [[named(id), branch ?? { caseId: exchangeId(`${id} in ${parentId ?? frameworkId}`), unread: {} }]],
      ),
    ),
    unread: { associations: framework.unread?.associations ?? [], parts: framework.unread?.parts ?? {} },
  });
  return {
    name: `${framework.title.replace(/[^\p{L}\p{N}]+/gu, "-").toLowerCase()}.json`,
    type: "application/json; charset=utf-8",
    bytes: new TextEncoder().encode(text),
  };
}
