import {
  DIAGNOSTIC_SETTINGS,
  type DiagnosticSettings,
  type DiagnosticState,
  type DiagnosticStrand,
  demandDiagnostic,
} from "./diagnosticState";

/** A new diagnostic over one or more strands, taken in the order given. Throws "bad-argument" for senseless settings. */
export function start(
  strands: readonly DiagnosticStrand[],
  settings: Partial<DiagnosticSettings> = {},
): DiagnosticState {
  const all = { ...DIAGNOSTIC_SETTINGS, ...settings };
  demandDiagnostic(all, strands);
  return { settings: all, strands, records: [], exhausted: [], finished: false };
}
