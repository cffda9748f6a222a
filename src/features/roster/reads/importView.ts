import "server-only";
import type { ReadingNow } from "@/client/useReading";
import type { RosterEntry } from "@/core/roster/rosterEntry";
import type { RosterRemark } from "@/core/roster/rosterRemark";
import { classesById } from "@/db/queries/people";
import type { RosterPreview } from "@/formats/roster/previewRoster";
import type { Context } from "@/server/runtime/context";
import { waitAMoment } from "@/server/runtime/fileJobs";
import { Refusal } from "@/server/runtime/refusal";
import type { ReadingProgress } from "@/server/runtime/rosterReader";
import { gradeWords } from "@/words/staff/gradeWords";
import { remarkWords, sameWords } from "@/words/staff/rosterWords";
import type { EntryPage, EntryView, ImportState, ImportView } from "../types";
import { isApplied, jobOf, openDraft, type ReadyDraft } from "./drafts";

const FAULTS_SHOWN = 300;
const LIKELY_SHOWN = 100;
const ENTRIES_A_PAGE = 100;

/** Where the reading of a draft stands, or what it would change. */
export async function importState(context: Context, draftId: string): Promise<ImportState> {
  const db = context.runtime.db.read;
  const draft = await openDraft(db, context, draftId);
  if (await isApplied(db, draft))
    return { state: "applied", draftId, fileName: draft.fileName, className: await classNameOf(context, draft) };
  const job = await jobOf(context, draft);
  await waitAMoment(job);
  if (job.failure) return { state: "failed", message: wordsOf(job.failure) };
  if (!job.result) return { state: "reading", ...progressOf(job) };
  const { preview } = job.result;
  if (!preview.ok) return { state: "failed", message: remarkWords(preview.why) };
  const className = await classNameOf(context, draft);
  return { state: "ready", view: viewOf(draft, job.fingerprint, className, preview, namesOf(job.result)) };
}

/** How far the reading of a draft has come; once it has ended, the page itself is made anew. */
export async function importProgress(context: Context, draftId: string): Promise<ReadingNow> {
  const db = context.runtime.db.read;
  const draft = await openDraft(db, context, draftId);
  if (await isApplied(db, draft)) return { state: "ended" };
  const job = await jobOf(context, draft);
  return job.failure || job.result ? { state: "ended" } : { state: "reading", ...progressOf(job) };
}

/** Further entries of a preview. */
export async function importEntries(
  context: Context,
  draftId: string,
  search: { readonly what: string; readonly from: number },
): Promise<EntryPage> {
  const draft = await openDraft(context.runtime.db.read, context, draftId);
  const { preview, ...ready } = await (await jobOf(context, draft)).done;
  if (!preview.ok) throw new Refusal("invalid", remarkWords(preview.why));
  return pageOf(preview, search.what, search.from, namesOf({ preview, ...ready }));
}

const progressOf = ({ progress }: { readonly progress: ReadingProgress }) => ({
  share: progress.share,
  what: remarkWords(progress.what),
});

/** Another number is another warning: what was confirmed is what was read. */
export const warningKey = ({ code, values }: RosterRemark): string => [code, ...Object.values(values)].join(" ");

const wordsOf = (error: unknown) =>
  error instanceof Refusal ? error.message : "The file could not be read. Nothing was changed; please try again.";

async function classNameOf(context: Context, draft: { classId: string | null; newClassName: string | null }) {
  if (draft.classId === null) return draft.newClassName;
  const [found] = await classesById(context.runtime.db.read, [draft.classId]);
  return found?.name ?? null;
}

function viewOf(
  draft: { id: string; fileName: string; kind: "package" | "sheet"; newClassName: string | null },
  fingerprint: string,
  className: string | null,
  preview: Extract<RosterPreview, { ok: true }>,
  name: Names,
): ImportView {
  const { difference, faults, moves } = preview;
  return {
    draftId: draft.id,
    kind: draft.kind,
    fileName: draft.fileName,
    className,
    isNewClass: draft.newClassName !== null,
    fingerprint,
    headers: preview.headers,
    mapping: preview.mapping,
    notes: preview.notes.map(remarkWords),
    unread: preview.unread,
    warnings: preview.warnings.map((warning) => ({ key: warningKey(warning), sentence: remarkWords(warning) })),
    counts: difference.counts,
    faults: faults
      .slice(0, FAULTS_SHOWN)
      .map(({ reason, ...fault }) => ({ ...fault, code: reason.code, sentence: remarkWords(reason) })),
    faultCount: faults.length,
    likely: difference.likely
      .slice(0, LIKELY_SHOWN)
      .map(({ because, ...pair }) => ({ ...pair, because: sameWords(because) })),
    likelyCount: difference.likely.length,
    moveCount: moves.length,
    firstPage: pageOf(preview, "all", 0, name),
  };
}

interface Names {
  person(key: string): string;
  class(key: string): string;
}

/** Names of people and classes by the ids of the file, known or coming. */
function namesOf({ known, preview }: ReadyDraft): Names {
  const names = new Map<string, string>();
  const put = (file: string, key: string, values: Readonly<Record<string, string>>) => {
    if (file === "users") names.set(key, `${values.givenName ?? ""} ${values.familyName ?? ""}`.trim());
    if (file === "classes") names.set(key, values.title ?? "");
  };
  for (const { file, key, values } of known.records) put(file, key, values);
  if (preview.ok) for (const { file, key, values } of preview.difference.entries) put(file, key, values);
  return { person: (key) => names.get(key) ?? "somebody", class: (key) => names.get(key) ?? "a class" };
}

/** Whole people and classes before the roles and enrollments that go with them. */
const ORDER = [
  "users",
  "classes",
  "memberships",
  "supports",
  "enrollments",
  "orgs",
  "academicSessions",
  "courses",
  "roles",
];

function pageOf(
  { difference, moves }: Extract<RosterPreview, { ok: true }>,
  what: string,
  from: number,
  name: Names,
): EntryPage {
  const movedBy = new Map(moves.map((move) => [move.begins, move]));
  const ended = new Set(moves.map(({ ends }) => ends));
  const added = new Set(
    difference.entries.filter((entry) => entry.file === "users" && entry.what === "added").map(({ key }) => key),
  );
  // A new person's role and a move's two halves are said with the person, not once more.
  const shown = difference.entries.filter(
    ({ file, key, values, what: how }) =>
      !(file === "roles" && how === "added" && added.has(values.userSourcedId ?? "")) &&
      !(file === "enrollments" && how === "inactive" && ended.has(key)),
  );
  const wanted = shown.filter((entry) => what === "all" || (movedBy.has(entry.key) ? "moved" : entry.what) === what);
  const ordered = ORDER.flatMap((file) => wanted.filter((entry) => entry.file === file));
  const page = ordered.slice(from, from + ENTRIES_A_PAGE);
  return {
    total: ordered.length,
    from,
    entries: page.map((entry) => viewOfEntry(entry, movedBy.get(entry.key), name)),
  };
}

const COLUMN_WORDS: Readonly<Record<string, string>> = {
  givenName: "given name",
  familyName: "family name",
  grades: "grade",
  email: "email",
  username: "username",
  identifier: "student number",
  birthYear: "birth year",
  sourcedId: "id of the source",
  title: "title",
  primaryOrgSourcedId: "school",
  subjects: "subject",
  termSourcedIds: "term",
  courseSourcedId: "course",
  endDate: "last day",
  beginDate: "first day",
  supports: "supports",
};

function viewOfEntry(
  { file, what, row, values, changes, key }: RosterEntry,
  move: { readonly fromClassKey: string; readonly toClassKey: string } | undefined,
  name: Names,
): EntryView {
  const words = changes
    .map(({ column, from, to }) => {
      const words = column === "grades" ? gradeWords : (text: string) => text;
      return `${COLUMN_WORDS[column] ?? column}: ${from === "" ? "none" : words(from)} → ${words(to)}`;
    })
    .join("; ");
  const person = values.userSourcedId ? name.person(values.userSourcedId) : "";
  const base = { key: `${file} ${key}`, row, what, detail: words };
  const place = values.classSourcedId ? name.class(values.classSourcedId) : "";
  const as = values.role === "teacher" ? ", as teacher" : "";
  switch (file) {
    case "users":
      return {
        ...base,
        kind: values.grades ? "student" : "person",
        name: name.person(key),
        detail:
          what === "added"
            ? [values.identifier, values.grades ? `grade ${gradeWords(values.grades)}` : "", values.email]
                .filter(Boolean)
                .join(", ")
            : words,
      };
    case "enrollments":
      if (move)
        return {
          ...base,
          what: "moved",
          kind: "enrollment",
          name: person,
          detail: `${name.class(move.fromClassKey)} → ${name.class(move.toClassKey)}`,
        };
      return {
        ...base,
        kind: "enrollment",
        name: person,
        detail:
          what === "added"
            ? `joins ${place}${as}`
            : what === "inactive"
              ? `leaves ${place}${as}`
              : what === "restored"
                ? `back in ${place}`
                : `${place}: ${words}`,
      };
    case "memberships":
      return {
        ...base,
        kind: "group",
        name: person,
        detail: what === "added" ? "joins the group" : "leaves the group",
      };
    case "supports":
      return { ...base, kind: "supports", name: person, detail: what === "added" ? (values.supports ?? "") : words };
    case "roles":
      return { ...base, kind: "role", name: person, detail: `${values.role ?? ""}${words === "" ? "" : `; ${words}`}` };
    default: {
      const kind = { orgs: "school", academicSessions: "term", courses: "course", classes: "class" }[file];
      return { ...base, kind, name: values.title ?? values.name ?? "" };
    }
  }
}
