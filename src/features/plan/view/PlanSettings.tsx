import type { PlanView } from "../types";

/** How far a change reaches: what lies behind it, and in which other classes it is made too. */
export interface Reach {
  readonly behind: "move-along" | "keep-dates";
  readonly sisterIds: readonly string[];
}

/** How far the next change reaches, as a sentence whose words can be changed. */
export function PlanSettings({
  view,
  reach,
  set,
}: {
  readonly view: PlanView;
  readonly reach: Reach;
  readonly set: (reach: Reach) => void;
}) {
  return (
    <div className="no-print text-mute mb-3 flex flex-wrap items-baseline gap-x-4 gap-y-1 text-[15px]">
      <label>
        When a slot changes, what lies behind it{" "}
        <select
          className="text-ink border-water border-b border-dotted bg-transparent font-semibold"
          value={reach.behind}
          onChange={({ target }) => set({ ...reach, behind: target.value as Reach["behind"] })}
        >
          <option value="move-along">moves along</option>
          <option value="keep-dates">keeps its dates</option>
        </select>
        .
      </label>
      {view.sisters.map(({ id, name }) => (
        <label key={id} className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="accent-ink"
            checked={reach.sisterIds.includes(id)}
            onChange={({ target: { checked } }) =>
              set({
                ...reach,
                sisterIds: checked ? [...reach.sisterIds, id] : reach.sisterIds.filter((one) => one !== id),
              })
            }
          />
          also in {name}
        </label>
      ))}
    </div>
  );
}
