import { Button } from "../primitives/Button";

/** What was put away, each with the way to bring it back. */
export function PutAway({
  things,
  bringBack,
}: {
  readonly things: readonly { readonly id: string; readonly name: string }[];
  readonly bringBack: (thing: { readonly id: string; readonly name: string }) => void;
}) {
  if (things.length === 0) return null;
  return (
    <section className="mt-6 text-[15px]">
      <h2 className="mb-1 font-serif text-[18px] font-medium">Put away</h2>
      <ul>
        {things.map((thing) => (
          <li key={thing.id} className="flex items-center gap-3">
            {thing.name}
            <Button look="quiet" aria-label={`Bring back ${thing.name}`} onClick={() => bringBack(thing)}>
              Bring back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
