import { effort } from "@/core/measurement/effort";
import { median } from "@/core/numeric/median";
import { seededRandom } from "@/core/numeric/seededRandom";
import { normal } from "~/demo/learner";
import { type Figure, percent } from "./table";

const STUDENTS = 200;
const ITEMS = 30;
/** Classes: how many rush, and how much; in the second every other answer at an item is rushed, and so is its median. */
const CLASSES = [
  { name: "few rush", rushers: 0.15, share: 0.4, expected: false },
  { name: "most rush, by medians alone", rushers: 0.8, share: 0.75, expected: false },
  { name: "most rush, expected times known", rushers: 0.8, share: 0.75, expected: true },
] as const;
/** A rushed answer takes about 2 s; a student counts as low in effort under this share (Wise & Kong 2005). */
const RUSHED_SECONDS = 2;
const LOW_EFFORT = 0.9;

export const proveEffort = (): Figure[] => CLASSES.flatMap(proveIn);

function proveIn({ name, rushers, share, expected }: (typeof CLASSES)[number]): Figure[] {
  const random = seededRandom("prove effort");
  const usual = Array.from({ length: ITEMS }, () => 20 + random() * 60);
  // What an item is expected to take is off by a third up or down.
  const foreseen = usual.map((seconds) => seconds * Math.exp(normal(random, 0, 0.3)));
  const students = Array.from({ length: STUDENTS }, (_, n) => {
    const rusher = n < STUDENTS * rushers;
    const pace = Math.exp(normal(random, 0, 0.3));
    return {
      rusher,
      answers: usual.map((seconds) => {
        const rushed = rusher && random() < share;
        const middle = rushed ? RUSHED_SECONDS : seconds * pace;
        return { rushed, seconds: middle * Math.exp(normal(random, 0, 0.45)) };
      }),
    };
  });
  const medians = usual.map((_, item) => median(students.map(({ answers }) => answers[item]?.seconds ?? 0)));
  const counts = { rushed: 0, hit: 0, worked: 0, alarm: 0, rushersFound: 0, othersFound: 0 };
  for (const { rusher, answers } of students) {
    const result = effort(
      answers.map(({ seconds }, item) => ({
        seconds,
        itemMedianSeconds: medians[item] ?? 0,
        ...(expected ? { itemExpectedSeconds: foreseen[item] ?? 0 } : {}),
      })),
    );
    if ("noEstimate" in result) continue;
    answers.forEach(({ rushed }, item) => {
      counts[rushed ? "rushed" : "worked"]++;
      if (result.rapid[item]) counts[rushed ? "hit" : "alarm"]++;
    });
    if (result.share < LOW_EFFORT) counts[rusher ? "rushersFound" : "othersFound"]++;
  }
  const all = students.filter(({ rusher }) => rusher).length;
  return [
    {
      what: `${name}: rushed answers flagged`,
      value: percent(counts.hit / counts.rushed),
      note: "hits; rushed answers take about 2 s",
    },
    { what: `${name}: worked answers flagged`, value: percent(counts.alarm / counts.worked), note: "false alarms" },
    { what: `${name}: rushers with an effort under 0.9`, value: `${counts.rushersFound} of ${all}`, note: "" },
    { what: `${name}: others with an effort under 0.9`, value: `${counts.othersFound} of ${STUDENTS - all}`, note: "" },
  ];
}
