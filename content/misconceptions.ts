import type { Misconception } from "@/core/model/content";

/** Mistakes with a reason behind them, shared by the skills in which they show. */
export const misconceptions: readonly Misconception[] = [
  {
    id: "compared-by-difference",
    name: "Compared by difference",
    explanation:
      "Asked how many times, the student found how many more. Both are comparisons, but only one is multiplicative.",
    feedback:
      "You found how many more. The question asks how many times as many: how often does the small amount fit into the large one?",
  },
  {
    id: "one-time-too-few",
    name: "Counted only the extra times",
    explanation: "The student reads “times as many” as “times more” and leaves out the first copy of the amount.",
    feedback: "Count every copy, the first one too.",
  },
  {
    id: "added-the-factor",
    name: "Added the factor",
    explanation: "The number of times was added to the amount instead of multiplying it.",
    feedback: "That adds the number of times. “Times as many” means that many copies of the whole amount.",
  },
  {
    id: "added-instead-of-scaled",
    name: "Added instead of scaled",
    explanation:
      "The student keeps the difference equal, not the ratio: what was added to one quantity is added to the other.",
    feedback:
      "You added the same amount to both. To keep things in the same ratio, both must grow the same number of times.",
  },
  {
    id: "scaled-one-side-only",
    name: "Scaled one side only",
    explanation: "One quantity was multiplied and the other left as it was.",
    feedback: "One of the two numbers changed and the other stayed. Whatever happens to one must happen to the other.",
  },
  {
    id: "turned-the-ratio-round",
    name: "Turned the ratio round",
    explanation: "The order of the two quantities was swapped, so the answer belongs to the opposite comparison.",
    feedback: "Look at the order: which quantity is named first?",
  },
  {
    id: "took-part-for-whole",
    name: "Compared parts, not the whole",
    explanation:
      "A part was compared with the other part where the whole was meant, or with the whole where the other part was meant.",
    feedback: "Check what is being compared: one part with the other part, or one part with everything together?",
  },
  {
    id: "one-share-only",
    name: "Stopped at one share",
    explanation:
      "The student found one equal share (the unit fraction or the unit rate) and did not take as many as were asked for.",
    feedback: "You found one share. How many shares does the question ask for?",
  },
  {
    id: "took-the-rest",
    name: "Gave the other part",
    explanation: "The student found what is left over, or the part itself where the rest was asked for.",
    feedback: "That is the other part. Read once more what the question asks for.",
  },
  {
    id: "divided-by-the-top",
    name: "Divided by the wrong number",
    explanation: "The whole was shared by the numerator instead of the denominator.",
    feedback: "The bottom number says into how many equal shares the whole is cut.",
  },
  {
    id: "multiplying-makes-bigger",
    name: "Thought multiplying makes bigger",
    explanation:
      "The student expects a product to be larger than what was multiplied, and turns the fraction over to get there.",
    feedback: "Is the fraction more or less than 1? That tells whether the result is longer or shorter than before.",
  },
  {
    id: "added-the-fraction",
    name: "Added the fraction",
    explanation: "“Times as long” was read as “longer by”: the fraction was added to the length or taken from it.",
    feedback: "“Times” means multiply. Find that fraction of the length.",
  },
  {
    id: "percent-as-amount",
    name: "Took percent as an amount",
    explanation: "The number before the percent sign was used as it stands, as if p % of anything were p.",
    feedback: "A percent is a share of every hundred, so it depends on the whole. What is 10 % of this amount?",
  },
  {
    id: "multiplied-not-divided",
    name: "Multiplied instead of sharing",
    explanation: "The amounts were multiplied although one of them should have been shared equally among the other.",
    feedback: "For one, share equally: divide the total by how many there are.",
  },
  {
    id: "looked-at-price-only",
    name: "Looked at the price only",
    explanation: "The smallest total was taken for the best value, without asking how much one gets for it.",
    feedback: "The smallest price buys the fewest. What does one piece cost in each offer?",
  },
  {
    id: "looked-at-amount-only",
    name: "Looked at the amount only",
    explanation: "The largest pack was taken for the best value, without asking what one piece costs.",
    feedback: "The largest pack is not always the best value. What does one piece cost in each offer?",
  },
  {
    id: "constant-difference",
    name: "Took equal differences for proportional",
    explanation:
      "The student checks that the second number is always the same amount more, instead of the same number of times as much.",
    feedback: "The difference is the same each time, but is it the same number of times as much?",
  },
  {
    id: "overlooked-the-start",
    name: "Overlooked the starting amount",
    explanation:
      "The relationship has a fixed start, so doubling one quantity does not double the other; the student scaled it anyway.",
    feedback: "There is a fixed amount that is paid only once. Take it off first, then scale what is left.",
  },
];
