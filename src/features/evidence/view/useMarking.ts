"use client";
import { useEffect, useMemo, useState } from "react";
import { type Whom, type WorkStanding, whomFits } from "@/core/grouping/whomFits";
import { rational } from "@/core/numeric/rational";
import type { MarkedStudent, StandingFacts } from "../standingFacts";
import type { MapSkill, MapStudent, MasteryMapView } from "../types";

export interface Marking {
  readonly isOn: boolean;
  readonly whom: Whom;
  readonly has: (studentId: string, skillId: string) => boolean;
  readonly marked: readonly MarkedStudent[];
  /** Begins with those whom the sentence means in the skill in view. */
  start(skill: MapSkill): void;
  stop(): void;
  mean(whom: Whom, skill: MapSkill): void;
  toggle(studentId: string, skillId: string): void;
  /** Everything a student needs: what is not Secure and what they are ready for. */
  allFor(student: MapStudent): void;
  /** Takes a student out, or a skill. */
  forget(studentId: string): void;
}

const USUAL: Whom = { level: "not-secure", work: "without" };
const NEEDED: Whom = { level: "not-secure", ready: "ready", work: "without" };
const MOST_SKILLS = 6;
const key = (studentId: string, skillId: string) => `${studentId} ${skillId}`;

/** Shares as the numbers that they are. */
const exact = (works: StandingFacts["students"][string]["works"]): Readonly<Record<string, WorkStanding>> =>
  Object.fromEntries(
    Object.entries(works).map(([id, { share, ...work }]) => [
      id,
      { ...work, share: share === null ? null : rational(share) },
    ]),
  );

/** Who in the map is marked for which skill: by a sentence, corrected by hand. */
export function useMarking(view: MasteryMapView, facts: StandingFacts): Marking {
  const [whom, setWhom] = useState<Whom | null>(null);
  const [skillId, setSkillId] = useState<string | null>(null);
  const [marks, setMarks] = useState<ReadonlySet<string>>(new Set());
  const shares = useMemo(
    () => Object.fromEntries(Object.entries(facts.students).map(([id, { works }]) => [id, exact(works)])),
    [facts],
  );
  const fits = (student: MapStudent, skillId: string, wish: Whom): boolean => {
    const gauge = student.gauges[view.skills.findIndex(({ id }) => id === skillId)];
    const own = facts.students[student.id];
    if (!gauge || !own) return false;
    return whomFits(wish, {
      ...gauge,
      mastered: gauge.mark === "now",
      ready: own.ready[skillId] ?? 1,
      snag: own.snags.includes(skillId),
      hasWork: (own.open[skillId]?.length ?? 0) > 0,
      groupIds: own.groupIds,
      works: shares[student.id],
    });
  };
  const meant = (wish: Whom, skillId: string) =>
    view.students.filter((student) => fits(student, skillId, wish)).map(({ id }) => key(id, skillId));
  /** The marks of one skill anew; those of others stay. */
  const remark = (before: ReadonlySet<string>, wish: Whom, skillId: string) =>
    new Set([...[...before].filter((one) => !one.endsWith(` ${skillId}`)), ...meant(wish, skillId)]);
  // What was given meanwhile, here or by a colleague, changes whom the sentence means.
  useEffect(() => {
    if (whom !== null && skillId !== null) setMarks((before) => remark(before, whom, skillId));
  }, [facts]);
  const marked = useMemo(
    () =>
      view.students.flatMap(({ id }): MarkedStudent[] => {
        const skillIds = view.skills.flatMap((skill) => (marks.has(key(id, skill.id)) ? [skill.id] : []));
        const classId = facts.students[id]?.classId;
        return skillIds.length === 0 || !classId ? [] : [{ studentId: id, classId, skillIds }];
      }),
    [marks, view, facts],
  );
  return {
    isOn: whom !== null,
    whom: whom ?? USUAL,
    has: (studentId, skillId) => marks.has(key(studentId, skillId)),
    marked,
    start: (skill) => {
      setWhom(USUAL);
      setSkillId(skill.id);
      setMarks(remark(new Set(), USUAL, skill.id));
    },
    stop: () => {
      setWhom(null);
      setMarks(new Set());
    },
    mean: (wish, skill) => {
      setWhom(wish);
      setSkillId(skill.id);
      setMarks((before) => remark(before, wish, skill.id));
    },
    toggle: (studentId, skillId) =>
      setMarks((before) => {
        const one = key(studentId, skillId);
        return before.has(one) ? new Set([...before].filter((other) => other !== one)) : new Set(before).add(one);
      }),
    allFor: (student) =>
      setMarks((before) => {
        const others = [...before].filter((one) => !one.startsWith(`${student.id} `));
        const needed = view.skills.filter(({ id }) => fits(student, id, NEEDED)).slice(0, MOST_SKILLS);
        return new Set([...others, ...needed.map(({ id }) => key(student.id, id))]);
      }),
    forget: (studentId) => setMarks((before) => new Set([...before].filter((one) => !one.startsWith(`${studentId} `)))),
  };
}
