"use client";
import { DIAGNOSTIC_SETTINGS } from "@/core/selection/diagnostic/diagnosticState";
import { WordEdit } from "@/ui/primitives/WordEdit";
import type { ComposeView } from "../../types";
import type { Change, Composition } from "./composition";
import { BOX, LABEL } from "./look";

const { leastItems, mostItems } = DIAGNOSTIC_SETTINGS;

/** The strands that a diagnostic goes over, and how far from a student's own grade it asks. */
export function Strands({
  view,
  composition,
  change,
}: {
  readonly view: ComposeView;
  readonly composition: Composition;
  readonly change: Change;
}) {
  const { scope } = composition;
  const set = (values: Partial<Composition["scope"]>) =>
    change((before) => ({ ...before, scope: { ...before.scope, ...values } }));
  const strands = [...new Map(view.skills.map(({ strandId, strand }) => [strandId, strand]))];
  const toggle = (id: string) =>
    set({
      strandIds: scope.strandIds.includes(id)
        ? scope.strandIds.filter((one) => one !== id)
        : strands.map(([one]) => one).filter((one) => one === id || scope.strandIds.includes(one)),
    });
  const chosen = scope.strandIds.length;
  return (
    <fieldset className="text-[15px]">
      <legend className={LABEL}>Strands</legend>
      {composition.made === "depth" ? (
        <p className="mb-3 leading-relaxed">
          Each student begins at the hardest skill that is not mastered and whose prerequisites are likely there, moves
          up on mastery, and down after three misses in a row.
        </p>
      ) : (
        <p className="mb-3 leading-relaxed">
          Asks from{" "}
          <GradesAway label="Below" value={scope.below} most={8} set={(below) => set({ below })}>
            below
          </GradesAway>{" "}
          each student’s own grade to{" "}
          <GradesAway label="Above" value={scope.above} most={3} set={(above) => set({ above })}>
            above
          </GradesAway>{" "}
          it. A strand takes {leastItems} to {mostItems} items and ends as soon as the place is clear: at most{" "}
          {chosen * mostItems} items for all, usually about {chosen * USUAL_ITEMS}. Students may stop at any item and go
          on another day, on any device.
        </p>
      )}
      <ul>
        {strands.map(([id, strand]) => {
          const skills = view.skills.filter(({ strandId }) => strandId === id);
          const grades = skills.map(({ grade }) => grade);
          return (
            <li key={id} className="border-hair border-b">
              <label className="flex items-center gap-2.5 py-1">
                <input
                  type="checkbox"
                  className="accent-ink size-4"
                  checked={scope.strandIds.includes(id)}
                  onChange={() => toggle(id)}
                />
                <span className="flex-1">{strand}</span>
                <span className="text-mute text-[14px]">
                  {skills.length} skills, grades {Math.min(...grades)} to {Math.max(...grades)}
                </span>
              </label>
            </li>
          );
        })}
      </ul>
    </fieldset>
  );
}

/** Items that a strand takes as a rule (docs/measurement.md, proof of the diagnostic in the shipped content). */
const USUAL_ITEMS = 14;

function GradesAway({
  label,
  value,
  most,
  set,
  children,
}: {
  readonly label: string;
  readonly value: number;
  readonly most: number;
  readonly set: (value: number) => void;
  readonly children: string;
}) {
  return (
    <WordEdit label={label} word={`${value} ${value === 1 ? "grade" : "grades"} ${children}`}>
      <label className="block">
        <span className="mb-1 block">
          Grades {children} a student’s own, 0 to {most}
        </span>
        <input
          type="number"
          className={`${BOX} w-20`}
          min={0}
          max={most}
          value={value}
          onChange={(event) => {
            const typed = event.target.valueAsNumber;
            if (Number.isInteger(typed)) set(Math.min(most, Math.max(0, typed)));
          }}
        />
      </label>
    </WordEdit>
  );
}
