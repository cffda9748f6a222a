"use client";
import { useEffect, useRef, useState } from "react";
import { usualCount } from "@/core/assembly/testProblem";
import type { TestProposal } from "../../testTypes";
import { askTest } from "./askTest";
import type { Change, Composition, FormItem, TestDesign } from "./composition";

export type ProposalState = Omit<TestProposal, "forms"> & {
  readonly searching: boolean;
  readonly problem: string | null;
};

const NOTHING: ProposalState = {
  quality: "none",
  problems: [],
  group: { mean: 0, sd: 1 },
  cut: 0,
  available: {},
  searching: false,
  problem: null,
};

/** What a proposal hangs on: when it changes, the test is proposed anew, with what is held. */
const keyOf = ({ skills, level }: TestDesign, classId: string, forms: number, turn: number) =>
  JSON.stringify([skills, level, classId, forms, turn]);

/**
 * Keeps a test proposed for what is wished of it: a first form at once, a better one when it is found, unless the teacher has changed something by
 * hand meanwhile.
 */
export function useProposal(composition: Composition, change: Change, classId: string, forms: number) {
  const [state, setState] = useState<ProposalState>(NOTHING);
  const [turn, setTurn] = useState(0);
  const { test } = composition;
  const latest = useRef(test);
  latest.current = test;
  const key = keyOf(test, classId, forms, turn);
  useEffect(() => {
    const wished = latest.current;
    const counts = countsOf(wished);
    if (counts.length === 0 || classId === "") {
      setState(NOTHING);
      change((before) => ({ ...before, test: { ...before.test, forms: [] } }));
      return;
    }
    const aborted = new AbortController();
    const kept = wished.forms.flatMap((form, place) =>
      form
        .filter(({ held }) => held)
        .map(({ item: { itemId, skillId, seed } }) => ({ form: place === 0 ? "A" : "B", itemId, skillId, seed })),
    );
    const wishes = { classId, counts, forms, level: wished.level, seed: turn, kept, leftOut: wished.leftOut };
    /** What was on the screen after the first proposal: a better one takes its place only while nobody touched it. */
    let proposed: TestDesign["forms"] | null = null;
    const take = ({ forms: found, ...rest }: TestProposal, searching: boolean) => {
      setState({ ...rest, searching, problem: null });
      const [earlier, fresh] = [proposed, found.map((form) => form.map((item) => asFormItem(item, wished)))];
      proposed = fresh;
      change((before) =>
        earlier !== null && before.test.forms !== earlier
          ? before
          : { ...before, test: { ...before.test, forms: fresh } },
      );
    };
    setState((before) => ({ ...before, searching: true, problem: null }));
    askTest("propose", { ...wishes, search: false }, aborted.signal)
      .then(async (quick) => {
        take(quick, quick.quality === "quick");
        if (quick.quality === "quick")
          take(await askTest("propose", { ...wishes, search: true }, aborted.signal), false);
      })
      .catch((error: unknown) => {
        if (!aborted.signal.aborted)
          setState((before) => ({ ...before, searching: false, problem: error instanceof Error ? error.message : "" }));
      });
    return () => aborted.abort();
  }, [key]);
  return { state, again: () => setTurn((before) => before + 1) };
}

/** How many items each skill gets: as set by hand, else as usual for so many skills. */
export function countsOf({ skills }: Pick<TestDesign, "skills">) {
  const usual = usualCount(skills.length);
  return skills.map(({ skillId, items }) => ({ skillId, items: items > 0 ? items : usual }));
}

function asFormItem(item: FormItem["item"], before: TestDesign): FormItem {
  const known = before.forms.flat().find((one) => one.item.id === item.id);
  return { item, points: known?.points ?? item.points, held: known?.held ?? false };
}
