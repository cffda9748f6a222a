import type { DiagnosticState } from "./diagnosticState";
import { record } from "./record";

/** The state after an answer to the item given last. */
export function answer(state: DiagnosticState, itemId: string, right: boolean): DiagnosticState {
  return record(state, itemId, right ? "right" : "wrong");
}
