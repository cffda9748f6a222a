import type { ControlProps, PartControl } from "./control";
import { useRoving } from "./roving";

export const selectWords: PartControl<"select-words", readonly string[]> = {
  empty: [],
  Control: (props) => <Words {...props} />,
  problem: (value) => (value.length === 0 ? "Select something in the text first." : null),
  response: (chosen) => ({ chosen }),
  words: (value, { shown }) =>
    shown.pieces
      .flatMap(({ place, text }) => (place !== null && value.includes(place) ? [text.trim()] : []))
      .join("; "),
};

function Words({ part, value, set, locked, label }: ControlProps<"select-words", readonly string[]>) {
  const { pieces } = part.shown;
  const count = pieces.filter(({ place }) => place !== null).length;
  const { box, onKeyDown, cell } = useRoving(count, 1);
  const toggle = (place: string) =>
    set(value.includes(place) ? value.filter((one) => one !== place) : [...value, place]);
  return (
    <>
      <p className="text-mute mt-4 text-[18px]">Select in the text; once more takes it back.</p>
      {/* biome-ignore lint/a11y/noStaticElementInteractions: arrow keys move between the buttons inside. */}
      <div ref={box} onKeyDown={onKeyDown} className="mt-3 max-w-[640px] font-serif text-[22px] leading-[2]">
        <span className="sr-only">{label}: </span>
        {pieces.map(({ text, place }, at) =>
          place === null ? (
            <span key={at}>{text}</span>
          ) : (
            <button
              key={place}
              type="button"
              data-cell
              data-answer={place === "1" ? "" : undefined}
              {...cell(Number(place) - 1)}
              aria-pressed={value.includes(place)}
              disabled={locked}
              className={`border-b-2 px-0.5 text-left ${value.includes(place) ? "border-ink bg-bank font-semibold" : "border-mute border-dotted"}`}
              onClick={() => toggle(place)}
            >
              {text}
            </button>
          ),
        )}
      </div>
    </>
  );
}
