import { Gauge } from "@/ui/primitives/Gauge";
import { SnagMark, TideMark } from "./MapCell";

/** What the marks of the map's cells mean. */
export function Legend({ since }: { readonly since: string | null }) {
  const kinds = [
    { text: "chance of mastery", gauge: { chance: 0.85, tooLittle: false, level: "secure" as const } },
    { text: "too little evidence", gauge: { chance: 0, tooLittle: true, level: "beginning" as const } },
    { text: "old", gauge: { chance: 0.6, tooLittle: false, old: true, level: "developing" as const } },
    { text: "mastered", gauge: { chance: 0.97, tooLittle: false, mark: "now" as const, level: "secure" as const } },
    {
      text: "mastered once, not now",
      gauge: { chance: 0.55, tooLittle: false, mark: "lost" as const, level: "developing" as const },
    },
  ];
  return (
    <ul className="text-mute flex flex-wrap gap-x-3.5 text-[13px]">
      {kinds.map(({ text, gauge }) => (
        <li key={text} className="flex items-center gap-1.5">
          <Gauge {...gauge} className="h-3.5 w-5" /> {text}
        </li>
      ))}
      <li className="flex items-center gap-1.5">
        <span className="bg-(--gauge) relative block h-3.5 w-5">
          <SnagMark />
        </span>{" "}
        snag open
      </li>
      {since ? (
        <li className="flex items-center gap-1.5">
          <span className="bg-(--gauge) relative block h-3.5 w-5">
            <TideMark chance={0.5} />
          </span>{" "}
          where it stood on {since}
        </li>
      ) : null}
    </ul>
  );
}
