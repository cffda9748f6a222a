import type { ControlProps, PartControl } from "./control";
import { useRoving } from "./roving";

export const shadedFigure: PartControl<"shading", readonly number[]> = {
  empty: [],
  Control: (props) => <Figure {...props} />,
  problem: (value) => (value.length === 0 ? "Shade some parts first." : null),
  response: (shaded) => ({ shaded }),
  words: (value, { shown }) => `${value.length}/${shown.parts}`,
};

function Figure({ part, value, set, locked, label }: ControlProps<"shading", readonly number[]>) {
  const { parts, columns } = part.shown;
  const { box, onKeyDown, cell } = useRoving(parts, columns);
  const toggle = (place: number) =>
    set(value.includes(place) ? value.filter((one) => one !== place) : [...value, place].sort((x, y) => x - y));
  return (
    <>
      <p className="text-mute mt-4 text-[18px]">
        Press a part to shade it: <span aria-live="polite">{`${value.length} of ${parts} shaded`}</span>.
      </p>
      {/* biome-ignore lint/a11y/useSemanticElements: a fieldset can't be laid out as a grid everywhere. */}
      <div
        ref={box}
        role="group"
        aria-label={label}
        onKeyDown={onKeyDown}
        className="border-ink mt-3 grid w-fit border-[1.5px]"
        style={{
          gridTemplateColumns: `repeat(${columns}, minmax(${columns > 12 ? 28 : 44}px, ${columns > 6 ? 52 : 84}px))`,
        }}
      >
        {Array.from({ length: parts }, (_, place) => (
          <button
            key={place}
            type="button"
            data-cell
            data-answer={place === 0 ? "" : undefined}
            {...cell(place)}
            aria-pressed={value.includes(place)}
            aria-label={`Part ${place + 1}`}
            disabled={locked}
            className={`border-ink min-h-14 border-[0.75px] focus-visible:z-10 ${value.includes(place) ? "bg-water" : "bg-field hover:bg-bank"}`}
            onClick={() => toggle(place)}
          />
        ))}
      </div>
    </>
  );
}
