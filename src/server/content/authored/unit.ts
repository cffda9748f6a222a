import "server-only";
import type { UnitGuide, UnitMoment } from "@/core/model/unit";

/** A unit as an author writes it: see content/README.md. */
export interface AuthoredUnit extends Omit<UnitGuide, "trips"> {
  readonly name: string;
  readonly weeks: number;
  readonly skills: readonly string[];
  readonly trips: readonly (readonly [string, string])[];
  readonly checks: Readonly<Record<UnitMoment, string>>;
}

export const unitOf = (id: string, grade: number, written: AuthoredUnit) => {
  const { name, weeks, skills, trips, ...told } = written;
  const guide: UnitGuide = { ...told, trips: trips.map(([where, help]) => ({ where, help })) };
  return { id, grade, name, weeks, skills, guide };
};
