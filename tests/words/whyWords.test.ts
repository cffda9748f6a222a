import { describe, expect, it } from "vitest";
import { gaugeOf } from "@/core/mastery/gaugeOf";
import type { SkillState } from "@/core/mastery/skillState";
import { updateSkillState } from "@/core/mastery/updateSkillState";
import { effort } from "@/core/measurement/effort";
import { gain } from "@/core/measurement/gain";
import { whyEffort } from "@/core/why/whyEffort";
import { whyGain } from "@/core/why/whyGain";
import { whyGroup } from "@/core/why/whyGroup";
import { whyMastery } from "@/core/why/whyMastery";
import { whyReview } from "@/core/why/whyReview";
import { whySnag } from "@/core/why/whySnag";
import { whyWorthDoing } from "@/core/why/whyWorthDoing";
import { whyWords } from "@/words/staff/whyWords";

const PRIOR = { mean: -0.9, spread: 1.2 };
const answered = (marks: string): SkillState =>
  [...marks].reduce<SkillState | null>(
    (state, mark, n) =>
      updateSkillState(
        state,
        PRIOR,
        {
          share: mark === "+" ? 1 : 0,
          tryNumber: 1,
          hintsUsed: 0,
          itemId: `m${n % 2}`,
          item: { a: 1.4, b: 0, c: 0 },
          day: 100,
        },
        0,
      ),
    null,
  ) as SkillState;

describe("every figure says why", () => {
  it("a chance of mastery, against what somebody with and without the skill would have", () => {
    const gauge = gaugeOf(answered("+-++-+++-++-"), 0.2, 120, false);
    // At 1.7 above the difficulty 0.9153 of such items come right, at 0.2 below 0.4305; twelve of them: 10.98 and 5.17.
    expect(whyWords("mastery", whyMastery(gauge, 120))).toBe(
      "8 of 12 right at the first try; somebody who has this would have about 11, somebody who has not about 5; last answer 20 days ago",
    );
    expect(whyWords("mastery", whyMastery(gaugeOf(null, 0.2, 120, false), 120))).toBe("no answer yet");
    const lost = gaugeOf(answered("++++++++++----------"), 0.2, 100, false);
    expect(whyWords("mastery", whyMastery(lost, 100))).toMatch(
      /last answer today; mastered once, but later answers speak against it$/,
    );
  });

  it("a snag, and none where none is open", () => {
    const why = whySnag(answered("------"), 103);
    expect(why && whyWords("snag", why)).toMatch(
      /^0 of 6 right at the first try, held up for 3 days; 10 more of the same would bring the chance of mastery to 2\d %, so another way in is needed$/,
    );
    expect(whySnag(answered("++++"), 103)).toBeNull();
    const lifted = whySnag({ ...answered("------"), mastery: 0.4 }, 103);
    expect(lifted && whyWords("snag", lifted)).toMatch(/, so practice has begun to help$/);
  });

  it("a group, by its chances and the mistake that most of it share", () => {
    const members = [0.21, 0.34, 0.52].map((chance, n) => ({
      chance,
      ready: 0.9 - n / 10,
      misconceptionIds: n < 2 ? ["m"] : [],
    }));
    expect(whyGroup(members)).toMatchObject({ misconceptionId: "m", leastReady: expect.closeTo(0.7, 12) });
    expect(whyWords("group", whyGroup(members))).toBe(
      "3 students, with a chance of mastery from 21 % to 52 %; 2 of them make the same mistake",
    );
    expect(whyWords("group", whyGroup(members.slice(2)))).toBe("1 student, with a chance of mastery of 52 %");
  });

  it("what is worth doing, effort, a gain and a review", () => {
    expect(whyWords("worthDoing", whyWorthDoing({ mastery: 0.4, learning: 0.5, ready: 1, unlockedWeight: 0.15 }))).toBe(
      "6 items, about 5 minutes, are expected to bring the chance of mastery from 40 % to 59 %, and later skills build on it",
    );
    const quick = effort([2, 3, 30, 40].map((seconds) => ({ seconds, itemMedianSeconds: 50 })));
    if ("noEstimate" in quick) throw new Error("effort wanted");
    expect(whyWords("effort", whyEffort(quick))).toBe("2 of 4 answers were faster than the question can be read");
    const [up, same] = gain([20, 22], [30, 22], { semPre: 3, semPost: 4 }).students;
    expect(up && whyWords("gain", whyGain(up))).toBe(
      "10 points between the two tests; 9.8 either way can come by luck, so this is a gain",
    );
    expect(same && whyWords("gain", whyGain(same))).toMatch(/so this may be luck$/);
    expect(
      whyWords("review", whyReview({ skillId: "a", recall: 0.861, due: true, overdueDays: 3, daysSinceMet: 20 })),
    ).toBe("86 % would be remembered today, 20 days after it was last met; due for 3 days");
  });
});
