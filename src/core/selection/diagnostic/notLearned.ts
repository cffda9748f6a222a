import type { DiagnosticState } from "./diagnosticState";
import { record } from "./record";

/** The state after "not learned yet": set aside, not wrong; counted in length; the next item comes from a grade lower. */
export function notLearned(state: DiagnosticState, itemId: string): DiagnosticState {
  return record(state, itemId, "not-learned");
}
