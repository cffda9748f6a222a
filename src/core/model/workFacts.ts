import type { ChangeArea } from "./changeArea";
import type { LineKind, Released } from "./work";

/** What the history says of changes of work, by their kind. */
export interface WorkFacts {
  "work-items-added": { readonly title: string; readonly items: number };
  "work-assigned": { readonly title: string; readonly students: number; readonly of: number };
  "work-prepared": { readonly title: string; readonly students: number; readonly of: number };
  "work-due-moved": { readonly title: string; readonly dueDay: string };
  "work-for-marked": { readonly students: number; readonly works: number };
  "work-given": { readonly title: string };
  "work-withdrawn": { readonly title: string };
  "work-released": { readonly title: string; readonly what: readonly Released[] };
  /** To one person by id, or to several. */
  "work-granted": { readonly title: string; readonly personId: string | null; readonly students: number };
  "work-paused": { readonly title: string };
  "work-resumed": { readonly title: string; readonly minutes: number };
  "work-ended": { readonly title: string };
  "lines-sent": { readonly line: LineKind; readonly personId: string | null; readonly students: number };
  /** Taken out of a test that was given; with what it weighed where it stands, and where it was shown. */
  "item-dropped": {
    readonly title: string;
    readonly place: number;
    readonly partItemId: string;
    readonly placed: number | null;
    readonly shown: number;
  };
  "work-kept": { readonly title: string };
  "work-shared": { readonly title: string };
  "work-unshared": { readonly title: string };
  "work-put-away": { readonly title: string };
  "marked-absent": { readonly title: string; readonly students: number };
  "series-made": { readonly title: string; readonly pieces: number };
  "series-piece-given": { readonly title: string; readonly students: number };
  "series-ended": { readonly title: string };
  "work-added-to": { readonly title: string; readonly personId: string | null; readonly students: number };
  "work-skipped": { readonly title: string; readonly personId: string | null; readonly students: number };
  "further-try-given": { readonly title: string; readonly personId: string | null; readonly students: number };
  "work-rules-changed": { readonly title: string };
  "part-opened": { readonly title: string; readonly part: string; readonly students: number };
}

export const AREA_OF_WORK: Readonly<Record<keyof WorkFacts, ChangeArea>> = {
  "work-items-added": "work",
  "work-assigned": "work",
  "work-prepared": "work",
  "work-due-moved": "work",
  "work-for-marked": "work",
  "work-given": "work",
  "work-withdrawn": "work",
  "work-released": "work",
  "work-granted": "work",
  "work-paused": "work",
  "work-resumed": "work",
  "work-ended": "work",
  "lines-sent": "work",
  "item-dropped": "work",
  "work-kept": "work",
  "work-shared": "work",
  "work-unshared": "work",
  "work-put-away": "work",
  "marked-absent": "work",
  "series-made": "work",
  "series-piece-given": "work",
  "series-ended": "work",
  "work-added-to": "work",
  "work-skipped": "work",
  "further-try-given": "work",
  "work-rules-changed": "work",
  "part-opened": "work",
};
