import { Button } from "@/ui/primitives/Button";
import type { Placing } from "./usePlacing";

/** What can be done with the chosen skills; it stays in sight while the list scrolls. */
export function ChosenBar({
  placing,
  skills,
}: {
  readonly placing: Placing;
  readonly skills: readonly { readonly skillId: string; readonly name: string; readonly place: string }[];
}) {
  const own = skills.filter(({ skillId }) => placing.chosen.has(skillId));
  if (own.length === 0) return null;
  const ask = (what: "resting" | "dropped") =>
    placing.setChange({ what, skills: own.filter(({ place }) => place !== what) });
  const away = own.filter(({ place }) => place !== "in");
  const allAt = (place: string) => own.every((one) => one.place === place);
  return (
    <div className="no-print bg-bank border-ink sticky bottom-0 z-10 mt-2 flex flex-wrap items-center gap-2 border-t-[1.5px] px-3 py-2 text-[15px]">
      <span className="mr-2">
        {own.length === 1 ? "1 skill chosen" : `${own.length} skills chosen`}. What would change if
      </span>
      <Button disabled={placing.busy || allAt("resting")} onClick={() => ask("resting")}>
        {own.length === 1 ? "it rests" : "they rest"}
      </Button>
      <Button disabled={placing.busy || allAt("dropped")} onClick={() => ask("dropped")}>
        {own.length === 1 ? "it is taken out" : "they are taken out"}
      </Button>
      {away.length > 0 ? (
        <Button
          look="main"
          disabled={placing.busy}
          onClick={() =>
            placing.place(
              away.map(({ skillId }) => skillId),
              "in",
            )
          }
        >
          {away.length === 1 ? "Ask it again" : `Ask ${away.length} again`}
        </Button>
      ) : null}
      <Button look="quiet" onClick={() => placing.setChosen(new Set())}>
        Choose none
      </Button>
    </div>
  );
}
