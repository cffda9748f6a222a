"use client";
import { useParams, useRouter, useSearchParams } from "next/navigation";
import { type ComponentType, useState } from "react";
import { usePullList } from "@/client/pull-list/pullList";
import { PrintButton } from "@/ui/layout/PrintButton";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import type { TalkFace, TalkView } from "../../talkTypes";
import { TalkAnswers } from "./TalkAnswers";

/** The item as its students saw it: its look is another feature's, which the page hands in. */
export type Face = ComponentType<{ readonly face: unknown }>;

/** An item, large, with the answers of the students concerned beside it; afterwards why it went wrong for each. */
export function TalkPage({ view, Face }: { readonly view: TalkView; readonly Face: Face }) {
  const { classes } = useParams<{ classes: string }>();
  const router = useRouter();
  const search = useSearchParams();
  const pull = usePullList();
  const [faceKey, setFaceKey] = useState(view.faces[0]?.key ?? "");
  const [answerShown, setAnswerShown] = useState(false);
  const face = view.faces.find(({ key }) => key === faceKey) ?? view.faces[0];
  const own = view.students.filter((student) => student.faceKey === face?.key);
  const everybody = () => {
    const next = new URLSearchParams(search);
    next.delete("only");
    router.push(`?${next}`, { scroll: false });
  };
  return (
    <div className="px-6 py-3">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="font-serif text-[22px] leading-tight font-medium">{view.title}</h1>
        <p className="text-mute text-[15px]">
          {view.skill}; {view.students.length} {view.students.length === 1 ? "student" : "students"}
        </p>
        <div className="no-print ml-auto flex flex-wrap gap-2">
          {view.others > 0 ? <Button onClick={everybody}>Everyone's answers</Button> : null}
          <Button
            onClick={() => pull.add(view.students.map(({ id, name }) => ({ id, name, skillId: view.subject.skillId })))}
          >
            Pull all {view.students.length}
          </Button>
          <ButtonLink href={`/desk/${classes}/library/${view.subject.skillId}`}>Reteach plan</ButtonLink>
          <PrintButton />
          <ButtonLink href={`/desk/${classes}${view.back.path}`}>{view.back.words}</ButtonLink>
        </div>
      </div>
      {view.explanation ? <p className="max-w-4xl text-[16px]">{view.explanation}</p> : null}
      {view.students.length === 0 ? (
        <p className="text-mute py-8 text-[16px]">
          Nobody is concerned any more: those who made this mistake are Secure in the skill now.
        </p>
      ) : (
        <div className="mt-3 grid items-start gap-x-10 gap-y-4 lg:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]">
          <section aria-label="The item as it was seen" className="bg-field border-hair border px-7 py-5">
            {view.faces.length > 1 ? (
              <p className="no-print text-mute mb-3 font-sans text-[15px]">
                Each had numbers of their own. Shown: as{" "}
                <b data-name className="text-ink">
                  {own.map(({ name }) => name).join(", ")}
                </b>{" "}
                saw it. Choose another beside an answer.
              </p>
            ) : null}
            {face ? (
              <div className="font-reading">
                <Face face={face.face} />
              </div>
            ) : (
              <p>This item is not in the library any more; the answers to it are kept.</p>
            )}
            {face ? <Answer face={face} shown={answerShown} toggle={() => setAnswerShown(!answerShown)} /> : null}
          </section>
          <TalkAnswers view={view} faceKey={face?.key ?? ""} choose={setFaceKey} />
        </div>
      )}
    </div>
  );
}

/** What is right stays covered until it is wanted: the class may be looking. */
function Answer(props: { readonly face: TalkFace; readonly shown: boolean; readonly toggle: () => void }) {
  const { face, shown, toggle } = props;
  return (
    <div className="border-hair mt-5 border-t pt-3 text-[17px]">
      {shown ? (
        <>
          <p className="font-reading">
            Right: <b>{<MathText text={face.answer} />}</b>
          </p>
          <p className="font-reading mt-1">
            <MathText text={face.solution} />
          </p>
        </>
      ) : null}
      <Button className="no-print mt-1" onClick={toggle}>
        {shown ? "Cover the answer" : "Show the answer"}
      </Button>
    </div>
  );
}
