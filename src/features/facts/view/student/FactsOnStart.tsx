import { ButtonLink } from "@/ui/primitives/Button";

/** Today's number facts among what a student has to do. */
export function FactsOnStart({
  facts: { minutes, met },
}: {
  readonly facts: { readonly minutes: number; readonly met: boolean };
}) {
  return (
    <li className="border-hair flex flex-wrap items-center justify-between gap-4 border-t py-4">
      <div>
        <p className="font-semibold">Number facts</p>
        <p className="text-mute text-[17px]">
          {met ? "done for today" : minutes === 1 ? "about 1 minute" : `about ${minutes} minutes`}
        </p>
      </div>
      <ButtonLink look="plain" size="big" href={met ? "/river/facts" : "/river/facts/now"}>
        {met ? "See my facts" : "Begin"}
      </ButtonLink>
    </li>
  );
}
