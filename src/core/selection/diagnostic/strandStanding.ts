import type { Ability } from "../../measurement/ability";
import { CoreError } from "../../model/fail";
import { abilityFromRecords } from "./abilityFromRecords";
import type { DiagnosticRecord, DiagnosticState, DiagnosticStrand } from "./diagnosticState";

/** Answers, right or wrong, without which nothing is called precise. */
const LEAST_ANSWERS = 3;

export interface StrandStanding {
  readonly strand: DiagnosticStrand;
  readonly records: readonly DiagnosticRecord[];
  /** From the answers and the items set aside; `n` counts the answers. */
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
  const ability = abilityFromRecords(records, strand.prior);
  const length = records.filter(({ outcome }) => outcome !== null).length;
  const { leastItems, mostItems, stopSe } = state.settings;
  const ended =
    // A narrow prior alone is not precise: it takes answers.
    length >= leastItems && ability.n >= LEAST_ANSWERS && ability.se <= stopSe
      ? "precise"
      : length >= mostItems
        ? "length"
        : state.exhausted.includes(strandId)
          ? "pool"
          : null;
  return { strand, records, ability, ended };
}
