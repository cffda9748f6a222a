import Link from "next/link";
import type { ItemDifference } from "@/core/measurement/mantelHaenszel";
import type { CalibratedItemView, CalibratedSkillView } from "../calibrationTypes";

const LEVEL = 1.96;
const percent = (share: number) => `${Math.round(share * 100)} %`;
const logits = (value: number) => {
  const size = Math.abs(value).toFixed(1);
  return Number(size) === 0 ? "0" : `${value < 0 ? "−" : "+"}${size}`;
};

/** One skill's items: where each is held to lie, where the answers put it, and what that would change. */
export function CalibratedSkill({
  skill,
  base,
  taken,
  toggle,
}: {
  readonly skill: CalibratedSkillView;
  readonly base: string;
  readonly taken: ReadonlySet<string>;
  readonly toggle: (versionId: string) => void;
}) {
  const judged = skill.items.filter(({ estimated }) => estimated !== null);
  const ends = judged.flatMap(({ inForce, estimated, found }) => {
    const reach = LEVEL * (found.estimate?.se ?? 0);
    return [inForce, (estimated ?? 0) - reach, (estimated ?? 0) + reach];
  });
  const [low, high] = [Math.floor(Math.min(0, ...ends)), Math.ceil(Math.max(0, ...ends))];
  const few = skill.items.length - judged.length;
  return (
    <section className="mt-4" aria-labelledby={`skill-${skill.skillId}`}>
      <h2 id={`skill-${skill.skillId}`} className="font-serif text-[18px] font-medium">
        {skill.name}
      </h2>
      <p className="text-mute text-[14px]">
        {skill.runs.toLocaleString("en-GB")} runs
        {few > 0 ? `; ${few === 1 ? "1 item has" : `${few} items have`} too few answers to be judged` : ""}
      </p>
      <table className="w-full text-[14px]">
        <thead className="text-mute text-left">
          <tr>
            <th className="w-8 py-1">
              <span className="sr-only">Put into force</span>
            </th>
            <th className="py-1 font-normal">Item</th>
            <th className="w-28 py-1 text-right font-normal">right, of answers</th>
            <th className="w-72 px-5 py-1 font-normal">
              <span className="flex justify-between">
                <span>{logits(low)} easier</span>
                <span>logits</span>
                <span>harder {logits(high)}</span>
              </span>
            </th>
            <th className="w-32 py-1 font-normal">held → estimated</th>
            <th className="w-36 py-1 font-normal">just mastered: right</th>
          </tr>
        </thead>
        <tbody>
          {judged.map((item) => (
            <tr key={item.versionId} className="border-hair border-t align-top">
              <td className="py-1.5">
                <input
                  type="checkbox"
                  className="accent-ink"
                  aria-label={`Put the estimate of “${item.line}” into force`}
                  disabled={!item.isCurrent}
                  checked={taken.has(item.versionId)}
                  onChange={() => toggle(item.versionId)}
                />
              </td>
              <td className="py-1.5 pr-3">
                {item.itemId ? (
                  <Link
                    className="decoration-hair hover:decoration-ink underline underline-offset-3"
                    href={`${base}/library/items/${encodeURIComponent(item.itemId)}`}
                  >
                    {item.line}
                  </Link>
                ) : (
                  item.line
                )}
                <Signs item={item} />
              </td>
              <td className="py-1.5 text-right tabular-nums">
                {item.found.right} of {item.found.answers}
              </td>
              <td className="px-5 py-1.5">
                <Place item={item} low={low} high={high} />
              </td>
              <td className={`py-1.5 tabular-nums ${item.found.apart ? "text-clay font-semibold" : ""}`}>
                {logits(item.inForce)} → {logits(item.estimated ?? 0)}{" "}
                <span className="text-mute font-normal">± {(LEVEL * (item.found.estimate?.se ?? 0)).toFixed(1)}</span>
              </td>
              <td className="py-1.5 tabular-nums">
                {item.found.atMastery
                  ? `${percent(item.found.atMastery.inForce)} → ${percent(item.found.atMastery.estimated)}`
                  : ""}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** Where an item is held to lie (an open mark) and where the answers put it, with how far luck reaches. */
function Place({
  item: { inForce, estimated, found },
  low,
  high,
}: {
  readonly item: CalibratedItemView;
  readonly low: number;
  readonly high: number;
}) {
  const at = (value: number) => `${(100 * (Math.min(high, Math.max(low, value)) - low)) / Math.max(1, high - low)}%`;
  const reach = LEVEL * (found.estimate?.se ?? 0);
  const place = estimated ?? 0;
  return (
    <svg
      className="h-5 w-full overflow-visible"
      role="img"
      aria-label={`Held at ${logits(inForce)}, estimated at ${logits(place)} from ${logits(place - reach)} to ${logits(place + reach)} logits`}
    >
      <line x1="0" x2="100%" y1="10" y2="10" className="stroke-hair" />
      <line x1={at(0)} x2={at(0)} y1="3" y2="17" className="stroke-hair" />
      <line
        x1={at(place - reach)}
        x2={at(place + reach)}
        y1="10"
        y2="10"
        strokeWidth="3"
        className={found.apart ? "stroke-clay" : "stroke-ink"}
      />
      <circle cx={at(place)} cy="10" r="4.5" className={found.apart ? "fill-clay" : "fill-ink"} />
      <circle cx={at(inForce)} cy="10" r="5.5" className="stroke-ink fill-none" strokeWidth="1.5" />
    </svg>
  );
}

/** What an item shows beside its difficulty: that it has moved, that it works otherwise for some. */
function Signs({ item: { found, isEstimate } }: { readonly item: CalibratedItemView }) {
  const signs = [
    ...(isEstimate ? ["an estimate is in force"] : []),
    ...sign(found.drift, "lately it has become", ["harder", "easier"]),
    ...sign(found.difference, "for students with texts read aloud or another home language it is", [
      "harder",
      "easier",
    ]),
  ];
  return signs.length === 0 ? null : <span className="text-mute block">{signs.join("; ")}</span>;
}

const SIZES = { A: null, B: "somewhat", C: "much" } as const;

function sign(found: ItemDifference | null, words: string, [down, up]: readonly [string, string]): string[] {
  const size = found ? SIZES[found.size] : null;
  return found && size
    ? [`${words} ${size} ${found.delta < 0 ? down : up} (${found.n} runs of the same number right compared)`]
    : [];
}
