import "server-only";
import { createHash } from "node:crypto";
import { frameworkById, linksOfFramework, standardsOfFramework } from "@/db/queries/library";
import { writeCase } from "@/formats/standards/writeCase";
import { demandStaff } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";

/** A framework as a file of the open format for standards, with identifiers that stay the same. */
export async function frameworkFile({ runtime, actor }: Context, frameworkId: string) {
  demandStaff(actor);
  const db = runtime.db.read;
  const framework = await frameworkById(db, frameworkId);
  if (!framework) throw new Refusal("not-found", "This framework is not in the library.");
  const [rows, links] = await Promise.all([standardsOfFramework(db, frameworkId), linksOfFramework(db, frameworkId)]);
  const caseIds = new Map(rows.map(({ id, caseId }) => [id, caseId ?? uuidOf(id)]));
  const named = (id: string) => caseIds.get(id) ?? uuidOf(id);
  const text = writeCase({
    document: {
      caseId: framework.caseId ?? uuidOf(framework.id),
      title: framework.title,
      version: framework.version,
      language: framework.language,
      creator: framework.title,
      unread: {},
    },
    standards: rows.map(({ id, parentId, type, code, statement, gradeLow, gradeHigh }) => ({
      caseId: named(id),
      parentCaseId: parentId === null ? null : named(parentId),
      type,
      code,
      statement,
      gradeLow,
      gradeHigh,
      unread: {},
    })),
    links: links.map(({ fromId, toId, kind }) => ({
      caseId: uuidOf(`${fromId} ${kind} ${toId}`),
      kind,
      fromCaseId: named(fromId),
      toCaseId: named(toId),
      unread: {},
    })),
    branches: Object.fromEntries(
      rows.map(({ id, parentId }) => [
        named(id),
        { caseId: uuidOf(`${id} in ${parentId ?? frameworkId}`), unread: {} },
      ]),
    ),
    unread: { associations: [], parts: {} },
  });
  return {
    name: `${framework.title.replace(/[^\p{L}\p{N}]+/gu, "-").toLowerCase()}.json`,
    type: "application/json; charset=utf-8",
    bytes: new TextEncoder().encode(text),
  };
}

/** An identifier for what came without one, always the same for the same thing (RFC 9562, version 8). */
function uuidOf(name: string): string {
  const hex = createHash("sha256").update(`oxbow ${name}`).digest("hex");
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}
