import type { OneRosterSource } from "./oneRosterPackage";
import { type ManifestTable, zipOfTables } from "./zipOfTables";

/** A category of a gradebook; `weight` in per cent of the whole, where one is set. */
export interface GradebookCategory {
  readonly id: string;
  readonly title: string;
}

/** A piece of work that has results. Days are written YYYY-MM-DD, ids are those by which files know the things. */
export interface GradebookItem {
  readonly id: string;
  readonly title: string;
  readonly assignDay: string;
  readonly dueDay: string;
  readonly classId: string;
  readonly schoolId: string;
  readonly categoryId: string;
  readonly sessionId: string;
  readonly most: number;
}

/** How the standard names where a result stands. */
export type ScoreStatus = "exempt" | "fully graded" | "not submitted" | "partially graded" | "submitted";

export interface GradebookResult {
  readonly id: string;
  readonly itemId: string;
  readonly studentId: string;
  readonly classId: string;
  readonly status: ScoreStatus;
  /** Points; null where there are none. */
  readonly score: number | null;
  readonly day: string;
  readonly late: boolean;
  readonly missing: boolean;
}

export interface Gradebook {
  readonly source: OneRosterSource;
  /** When it was made, as an instant in ISO 8601. */
  readonly modified: string;
  readonly categories: readonly GradebookCategory[];
  readonly items: readonly GradebookItem[];
  readonly results: readonly GradebookResult[];
}

const HEAD = ["sourcedId", "status", "dateLastModified"] as const;
const COLUMNS = {
  categories: [...HEAD, "title", "weight"],
  lineItems: [
    ...HEAD,
    "title",
    "description",
    "assignDate",
    "dueDate",
    "classSourcedId",
    "categorySourcedId",
    "gradingPeriodSourcedId",
    "resultValueMin",
    "resultValueMax",
    "schoolSourcedId",
  ],
  results: [
    ...HEAD,
    "lineItemSourcedId",
    "studentSourcedId",
    "scoreStatus",
    "score",
    "scoreDate",
    "comment",
    "textScore",
    "classSourcedId",
    "inProgress",
    "incomplete",
    "late",
    "missing",
  ],
} as const;

/** The gradebook files of OneRoster 1.2 as a zip with its manifest: categories, line items, results. */
export function writeGradebook({ source, modified, categories, items, results }: Gradebook): Uint8Array {
  const head = (id: string) => ({ sourcedId: id, status: "active", dateLastModified: modified });
  const flag = (value: boolean) => (value ? "true" : "false");
  const tables: Record<keyof typeof COLUMNS, ManifestTable> = {
    categories: {
      mode: "bulk",
      headers: COLUMNS.categories,
      rows: categories.map(({ id, title }) => ({ ...head(id), title })),
    },
    lineItems: {
      mode: "bulk",
      headers: COLUMNS.lineItems,
      rows: items.map((item) => ({
        ...head(item.id),
        title: item.title,
        assignDate: item.assignDay,
        dueDate: item.dueDay,
        classSourcedId: item.classId,
        categorySourcedId: item.categoryId,
        gradingPeriodSourcedId: item.sessionId,
        resultValueMin: "0",
        resultValueMax: String(item.most),
        schoolSourcedId: item.schoolId,
      })),
    },
    results: {
      mode: "bulk",
      headers: COLUMNS.results,
      rows: results.map((result) => ({
        ...head(result.id),
        lineItemSourcedId: result.itemId,
        studentSourcedId: result.studentId,
        scoreStatus: result.status,
        score: result.score === null ? "" : String(result.score),
        scoreDate: result.day,
        classSourcedId: result.classId,
        inProgress: flag(false),
        incomplete: flag(false),
        late: flag(result.late),
        missing: flag(result.missing),
      })),
    },
  };
  return zipOfTables(source, tables);
}
