import type { Ability } from "../../measurement/ability";
import { eap } from "../../measurement/eap";
import { CoreError } from "../../model/fail";
import type { DiagnosticRecord, DiagnosticState, DiagnosticStrand } from "./diagnosticState";

export interface StrandStanding {
  readonly strand: DiagnosticStrand;
  readonly records: readonly DiagnosticRecord[];
  /** From the scored answers alone; `n` counts them. */
  readonly ability: Ability;
  readonly ended: "precise" | "length" | "pool" | null;
}

/**
 * Where one strand of a diagnostic stands: its ability so far, and whether it has ended and why.
 * @throws CoreError "bad-argument".
 */
export function strandStanding(state: DiagnosticState, strandId: string): StrandStanding {
  const strand = state.strands.find(({ id }) => id === strandId);
  if (!strand) throw new CoreError("bad-argument", `There is no strand ${strandId} in this diagnostic.`, { strandId });
  const records = state.records.filter((record) => record.strandId === strandId);
  const scored = records.filter(({ outcome }) => outcome === "right" || outcome === "wrong");
  const ability = eap(
    scored,
    scored.map(({ outcome }) => (outcome === "right" ? 1 : 0)),
    strand.prior,
  );
  const length = records.filter(({ outcome }) => outcome !== null).length;
  const { leastItems, mostItems, stopSe } = state.settings;
  const ended =
    length >= leastItems && ability.se <= stopSe
      ? "precise"
      : length >= mostItems
        ? "length"
        : state.exhausted.includes(strandId)
          ? "pool"
          : null;
  return { strand, records, ability, ended };
}
