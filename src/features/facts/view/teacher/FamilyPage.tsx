"use client";
import { usePullList } from "@/client/pull-list/pullList";
import { factOfId } from "@/core/fluency/factOfId";
import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { factsText, factText, familyName } from "@/words/factWords";
import type { FamilyView } from "../../types";
import { FactPicture } from "../student/FactPicture";

/** Facts that are talked about; those that most lack. */
const TALKED = 3;
/** Facts on a student's own strip. */
const ON_A_STRIP = 10;

/** A family of facts to teach again: what most lack as pictures to talk about, and a strip of their own for each student. */
export function FamilyPage({ view, base }: { readonly view: FamilyView; readonly base: string }) {
  const pull = usePullList();
  const { students, facts } = view;
  return (
    <div className="max-w-[75rem] px-5 py-4">
      <PageHead
        title={`Teach again: ${familyName(view.familyId)}`}
        sub={
          students.length === 0
            ? `Everybody in ${view.className} who has begun knows all of them by heart.`
            : `${students.length === 1 ? "1 student" : `${students.length} students`} of ${view.className} ${students.length === 1 ? "does" : "do"} not know all of them by heart. Ten minutes: talk about the pictures, then the strips, then a fact each as they leave.`
        }
      >
        {students.length > 0 ? (
          <Button
            onClick={() => pull.add(students.map(({ id, name }) => ({ id, name, skillId: null })))}
          >{`Put the ${students.length} on the pull list`}</Button>
        ) : null}
        <PrintButton>Print</PrintButton>
        <ButtonLink href={`${base}/work/facts`}>To the class</ButtonLink>
      </PageHead>
      {students.length > 0 ? (
        <>
          <section aria-labelledby="talk">
            <h2 id="talk" className="font-serif text-[20px] font-medium">
              To talk about
            </h2>
            <div className="mt-2 flex flex-wrap gap-10">
              {facts.slice(0, TALKED).map(({ id, students: lacking }) => {
                const fact = factOfId(id);
                return fact ? (
                  <div key={id} className="max-w-sm">
                    <h3 className="mb-2 font-semibold">
                      {factText(id)}{" "}
                      <span className="text-mute font-normal">
                        {lacking === 1 ? "1 lacks it" : `${lacking} lack it`}
                      </span>
                    </h3>
                    <FactPicture fact={fact} />
                  </div>
                ) : null;
              })}
            </div>
            <ul className="mt-4 list-disc space-y-1 pl-5 text-[15px]">
              <li>Which fact beside it do you know at once? How do you get from there to this one?</li>
              <li>Where in the picture are the five rows, or the ten? What is left?</li>
              <li>Which other facts are in the same picture?</li>
            </ul>
          </section>
          <section aria-labelledby="strips" className="mt-8">
            <h2 id="strips" className="font-serif text-[20px] font-medium">
              A strip for each
            </h2>
            <ul className="mt-2 grid grid-cols-2 gap-x-10">
              {students.map(({ id, name, facts: own, of }) => (
                <li key={id} className="border-hair break-inside-avoid border-t py-2.5 text-[15px]">
                  <p className="flex justify-between">
                    <SheetLink id={id}>{name}</SheetLink>
                    <span className="text-mute no-print">
                      knows {of - own.length} of {of}
                    </span>
                  </p>
                  <p className="font-reading mt-1 flex flex-wrap gap-x-6 gap-y-2 text-[18px]" title={factsText(own)}>
                    {own.slice(0, ON_A_STRIP).map((fact) => (
                      <span key={fact} className="whitespace-nowrap">
                        {factText(fact)} = ____
                      </span>
                    ))}
                  </p>
                </li>
              ))}
            </ul>
          </section>
        </>
      ) : null}
    </div>
  );
}
