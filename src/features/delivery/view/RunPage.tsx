import type { SittingView } from "../types";
import { LessonsPage } from "./LessonsPage";
import { SittingPage } from "./SittingPage";
import { TestPage } from "./whole/TestPage";

/** The page of a run: lessons to read, a test back and forth, or one item after the other. */
export function RunPage({ view, personId }: { readonly view: SittingView; readonly personId: string }) {
  if (view.read !== null) return <LessonsPage key={view.sittingId} initial={view} personId={personId} />;
  return view.whole ? (
    <TestPage key={view.sittingId} initial={{ ...view, whole: view.whole }} personId={personId} />
  ) : (
    <SittingPage key={view.sittingId} initial={view} personId={personId} />
  );
}
