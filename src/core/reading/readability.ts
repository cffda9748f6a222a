import { automatedReadability } from "automated-readability";
import { colemanLiau } from "coleman-liau";
import { daleChall as easyWords } from "dale-chall";
import { daleChallFormula, daleChallGradeLevel } from "dale-chall-formula";
import { fleschKincaid } from "flesch-kincaid";
import { syllable } from "syllable";
import { type NoEstimate, noEstimate } from "../model/noEstimate";
import { median } from "../numeric/median";
import { sentencesIn } from "./sentencesIn";

/** How hard a passage is to read, by four published formulas, each as a grade. */
export interface Readability {
  readonly words: number;
  readonly sentences: number;
  readonly grades: {
    readonly fleschKincaid: number;
    readonly colemanLiau: number;
    readonly automatedReadability: number;
    /** The span of grades that the formula gives; null where it gives none. */
    readonly daleChall: { readonly from: number; readonly to: number } | null;
  };
  /** The middle of the three formulas that give a single grade. */
  readonly grade: number;
  /** Share of words outside the list of words easy for a fourth-grader. */
  readonly hardWords: number;
  /** Under 100 words: the formulas were made for longer samples. */
  readonly short: boolean;
}

const SHORT_UNDER_WORDS = 100;
const EASY = new Set(easyWords);
/** Endings under which a listed word still counts as easy. */
const ENDINGS = [/'s$/, /s$/, /es$/, /ed$/, /d$/, /ing$/, /ly$/, /er$/, /est$/];

/**
 * Readability of an English passage: Flesch-Kincaid (Kincaid et al. 1975), Coleman-Liau (1975), automated readability index
 * (Senter & Smith 1967) and the Dale-Chall formula (1948), through the packages that implement them.
 * Numbers are not words; what is said and who says it is one sentence, and an abbreviation ends none. "no-words" for a text without any.
 * @example readability("").noEstimate // "no-words"
 */
export function readability(text: string): Readability | NoEstimate<"no-words"> {
  const words = wordsOf(text);
  if (words.length === 0) return noEstimate("no-words");
  const sentences = Math.max(1, sentencesIn(text).length);
  const letters = words.reduce((sum, word) => sum + [...word.replace(/[^\p{L}]/gu, "")].length, 0);
  const difficult = words.filter((word) => !isEasy(word.toLowerCase())).length;
  const counts = {
    sentence: sentences,
    word: words.length,
    letter: letters,
    character: letters,
    difficultWord: difficult,
  };
  const grades = {
    fleschKincaid: fleschKincaid({
      ...counts,
      syllable: words.reduce((sum, word) => sum + Math.max(1, syllable(word)), 0),
    }),
    colemanLiau: colemanLiau(counts),
    automatedReadability: automatedReadability(counts),
    daleChall: span(daleChallGradeLevel(daleChallFormula(counts))),
  };
  return {
    words: words.length,
    sentences,
    grades,
    grade: median([grades.fleschKincaid, grades.colemanLiau, grades.automatedReadability]),
    hardWords: difficult / words.length,
    short: words.length < SHORT_UNDER_WORDS,
  };
}

function wordsOf(text: string): string[] {
  return [...new Intl.Segmenter("en", { granularity: "word" }).segment(text)].flatMap(({ segment, isWordLike }) =>
    isWordLike && /\p{L}/u.test(segment) ? [segment] : [],
  );
}

function isEasy(word: string): boolean {
  return (
    EASY.has(word) ||
    ENDINGS.some((ending) => {
      const stem = word.replace(ending, "");
      return (
        stem !== word &&
        (EASY.has(stem) ||
          EASY.has(`${stem}e`) ||
          EASY.has(stem.replace(/i$/, "y")) ||
          EASY.has(stem.replace(/(.)\1$/, "$1")))
      );
    })
  );
}

function span(level: readonly [number, number]): { from: number; to: number } | null {
  const [from, to] = level;
  // The package gives NaN where there are no words and infinity for "college graduate".
  return Number.isNaN(from) ? null : { from, to: Number.isFinite(to) ? to : from };
}
