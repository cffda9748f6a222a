import "server-only";
import { scalePlace } from "@/core/measurement/scalePlace";
import type { StrandReport } from "@/core/model/work";
import type { SittingRow } from "@/db/queries/sittings";
import type { PartRow } from "@/db/queries/work";
import type { Library } from "@/server/library/library";
import type { OutcomeView, PlacedView, StrandColumn } from "../types";

/** Logits that a band reaches to each side: two of three students lie within one standard error, 19 of 20 within two. */
const ERRORS = 1;

/** What came out of a run besides a mark: where the student stands, a verdict on each skill, alone against mixed. */
export function outcomeOf(library: Library, run: SittingRow | null): OutcomeView {
  const { placed = [], verdicts = {}, contrast = null } = run?.finishedAt == null ? {} : run.state;
  return {
    placed: placed.flatMap((report) => placedView(library, report) ?? []),
    verdicts: Object.entries(verdicts).map(([skillId, verdict]) => ({
      skill: library.skillIfKnown(skillId)?.name ?? "",
      verdict,
    })),
    contrast,
  };
}

/** A strand's report as a place among the skills of the strand; null where nothing was asked in it. */
function placedView(
  library: Library,
  { strandId, ability, length, ended, notYetTaught }: StrandReport,
): PlacedView | null {
  const skills = library.skills.filter((skill) => skill.strandId === strandId);
  const place = scalePlace({ theta: ability.theta, se: ERRORS * ability.se }, skills);
  if (!place || length === 0) return null;
  const setAside = Object.values(notYetTaught).reduce((sum, times) => sum + times, 0);
  const named = (id: string) => skills.find((skill) => skill.id === id);
  return {
    strandId,
    theta: ability.theta,
    se: ability.se,
    nearest: named(place.nearest)?.name ?? "",
    nearestGrade: named(place.nearest)?.grade ?? 0,
    from: named(place.from)?.name ?? "",
    to: named(place.to)?.name ?? "",
    items: length,
    setAside,
    ended,
  };
}

/** The strands of a diagnostic, each with the grades of its skills and where each grade begins on the scale; none for other work. */
export function strandColumns(library: Library, part: PartRow | undefined): StrandColumn[] {
  return (part?.settings.scope?.strandIds ?? []).flatMap((id): StrandColumn[] => {
    const skills = library.skills.filter(({ strandId }) => strandId === id);
    const [first] = skills;
    if (!first) return [];
    const grades = [...new Set(skills.map(({ grade }) => grade))].sort((x, y) => x - y);
    return [
      {
        id,
        name: first.strand,
        grades: grades.map((grade) => {
          const own = skills.filter((skill) => skill.grade === grade).map(({ difficulty }) => difficulty);
          return { grade, from: Math.min(...own), to: Math.max(...own) };
        }),
      },
    ];
  });
}
