import { seededRandom } from "@/core/numeric/seededRandom";
import { type Learner, normal } from "./learner";

/** Typical ability of the two sections in the middle of grade 6, in logits. */
const TYPICAL = -0.12;

/** Students whose data tell a story; everybody else is drawn at random. */
const STORIES: Readonly<Record<string, Partial<Learner>>> = {
  // Two grades behind in fractions only: everything that rests on fractions suffers, the rest does not.
  "Ilse Vandersloot": {
    ability: 0.6,
    deviations: { "equivalent-fractions": -3, "fractions-of-amounts": -3, "scaling-by-a-fraction": -2.6 },
    pace: 0.03,
  },
  // Rushes: half of the answers come within three seconds.
  "Wen Liangyu": { ability: 0.3, haste: 0.5 },
  // Far ahead: ready for grade 7 since the first week.
  "Caoimhe Ó Lorcáin": { ability: 2.3, pace: 0.2, absence: 0 },
  // Share one idea: what is added to one side is added to the other.
  "Amadi Nwosu-Bell": { ability: -1.1, habits: ["added-instead-of-scaled"], pace: 0.04 },
  "Brisa Caldeira": { ability: -0.95, habits: ["added-instead-of-scaled"], pace: 0.03 },
  "Kofi Asante-Moor": { ability: -0.9, habits: ["added-instead-of-scaled"], pace: 0.05 },
  "Teodor Markovski": { ability: -1.0, habits: ["added-instead-of-scaled"], pace: 0.04 },
  "Priya Raghunath": { ability: -0.6, habits: ["turned-the-ratio-round"], pace: 0.07 },
  "Emeka Obidike": { ability: -1, habits: ["added-instead-of-scaled"], pace: 0.05 },
  // Often away.
  "Oisín Breathnach": { ability: 0, absence: 0.45 },
  "Quynh Dao-Le": { ability: 1.7, pace: 0.18 },
};

export function learnerNamed(name: string): Learner {
  const random = seededRandom(`learner ${name}`);
  const ability = normal(random, TYPICAL, 0.75);
  return {
    ability,
    deviations: {},
    habits: [],
    haste: random() < 0.1 ? 0.12 : 0.01,
    absence: 0.03 + 0.06 * random(),
    pace: 0.04 + 0.07 * random(),
    ...STORIES[name],
  };
}
