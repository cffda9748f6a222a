import { CoreError } from "../../model/fail";
import type { DiagnosticRecord, DiagnosticState } from "./diagnosticState";

/**
 * The state after the waiting item got its outcome. An outcome for an item that already has one changes nothing, so that a
 * message sent twice counts once. Throws "bad-argument" for an item this sitting never gave.
 */
export function record(
  state: DiagnosticState,
  itemId: string,
  outcome: NonNullable<DiagnosticRecord["outcome"]>,
): DiagnosticState {
  const given = state.records.find((known) => known.itemId === itemId);
  if (!given) throw new CoreError("bad-argument", "This item was not given in this diagnostic.", { itemId });
  if (given.outcome !== null || state.finished) return state;
  return {
    ...state,
    records: state.records.map((known) => (known.itemId === itemId ? { ...known, outcome } : known)),
  };
}
