import type { SharedPlanView } from "../sharedTypes";

/** Who changed what in a plan, the latest first. */
export function PlanHistory({ view: { history } }: { readonly view: SharedPlanView }) {
  return (
    <section>
      <h2 className="mb-1.5 font-serif text-[18px] font-medium">Who changed what</h2>
      <ul>
        {history.map(({ id, when, who, what }) => (
          <li key={id} className="border-hair border-t py-1">
            {what}
            <span className="text-mute block text-[14px]">
              {who}, {when}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
