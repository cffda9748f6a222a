import type { TestState } from "./useTest";

/** The items of the test by their numbers: a bar under what is answered, a corner on what is to be looked at again. */
export function ItemStrip({
  test,
  isLookingOver,
  go,
}: {
  readonly test: TestState;
  readonly isLookingOver: boolean;
  readonly go: (place: number) => void;
}) {
  return (
    <nav aria-label="Items of this test" className="px-5 pt-3 sm:px-12">
      <ol className="flex flex-wrap gap-1.5">
        {test.states.map(({ answered, flagged }, place) => {
          const isHere = !isLookingOver && place === test.place;
          const id = test.items[place]?.presentationId;
          return (
            <li key={id}>
              <button
                type="button"
                aria-current={isHere ? "step" : undefined}
                aria-label={`Item ${place + 1}, ${answered ? "answered" : "not answered"}${flagged ? ", to look at again" : ""}`}
                onClick={() => go(place)}
                className={`relative min-h-11 min-w-11 border-[1.5px] text-[17px] tabular-nums ${
                  isHere ? "border-ink font-bold" : "border-hair"
                }`}
                style={{ boxShadow: answered ? "inset 0 -7px 0 var(--water)" : undefined }}
              >
                {place + 1}
                {flagged ? (
                  <i
                    aria-hidden
                    className="border-t-clay absolute top-0 right-0 border-t-[13px] border-l-[13px] border-l-transparent"
                  />
                ) : null}
              </button>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
