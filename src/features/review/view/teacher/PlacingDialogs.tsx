import type { ClassReviewView } from "../../types";
import { TakeIn } from "./TakeIn";
import type { Placing } from "./usePlacing";
import { WhatWouldChange } from "./WhatWouldChange";

/** What is asked before skills are placed: what would change, or which are to come in. */
export function PlacingDialogs(props: {
  readonly classId: string;
  readonly studentId: string | null;
  readonly placing: Placing;
  readonly outside: ClassReviewView["outside"];
  readonly taking: boolean;
  readonly endTaking: () => void;
}) {
  const { placing, taking, endTaking, outside } = props;
  const { change } = placing;
  return (
    <>
      {change ? (
        <WhatWouldChange
          classId={props.classId}
          studentId={props.studentId}
          change={change}
          busy={placing.busy}
          close={() => placing.setChange(null)}
          act={() =>
            placing.place(
              change.skills.map(({ skillId }) => skillId),
              change.what,
            )
          }
        />
      ) : null}
      {taking ? (
        <TakeIn
          outside={outside}
          busy={placing.busy}
          close={endTaking}
          take={(skillIds) => placing.place(skillIds, "in", endTaking)}
        />
      ) : null}
    </>
  );
}
