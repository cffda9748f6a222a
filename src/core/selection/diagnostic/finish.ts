import type { StrandReport } from "../../model/work";
import type { DiagnosticState } from "./diagnosticState";
import { strandStanding } from "./strandStanding";

/** Closes a diagnostic wherever it stands and reports each strand with its error band. An item still waiting is dropped. */
export function finish(state: DiagnosticState): {
  readonly state: DiagnosticState;
  readonly report: readonly StrandReport[];
} {
  const closed = { ...state, records: state.records.filter(({ outcome }) => outcome !== null), finished: true };
  const report = closed.strands.map(({ id }): StrandReport => {
    const { ability, records, ended } = strandStanding(closed, id);
    const notYetTaught: Record<string, number> = {};
    for (const { area, outcome } of records)
      if (outcome === "not-learned") notYetTaught[area] = (notYetTaught[area] ?? 0) + 1;
    return { strandId: id, ability, length: records.length, ended: ended ?? "stopped", notYetTaught };
  });
  return { state: closed, report };
}
