/** Titles, references and initials, after which a name or a number follows and the sentence goes on. */
const GOES_ON = /(?:^|[\s("“])(?:Mr|Mrs|Ms|Dr|Prof|St|Mt|Rev|Gen|Capt|No|Fig|vs|approx|\p{Lu})\.\s*$/u;
/** What was said has ended, with its marks: "Stop!" */
const SAID = /[!?.…,]["”’»]\s*$/u;
/** Who said it: a name or two and a verb of saying. */
const SPEAKER =
  /^(?:\p{Lu}[\p{L}'’]*\s+){1,3}(?:said|says|asked|asks|cried|called|shouted|whispered|replied|answered|added|laughed|muttered|yelled|thought|explained|wondered)\b/u;
/** A new sentence does not begin with a small letter. */
const SMALL = /^["“‘«(]*\p{Ll}/u;

/**
 * The sentences of an English text that hold a word, in order. A dialogue's line and who says it are one ("Stop!" Maria said.), and an abbreviation
 * or an initial ends no sentence (Dr. J. Reed came.).
 * @example sentencesIn("“Stop!” Dr. Reed said. Nobody moved.").length // 2
 */
export function sentencesIn(text: string): string[] {
  const segments = [...new Intl.Segmenter("en", { granularity: "sentence" }).segment(text)].map(
    ({ segment }) => segment,
  );
  // A speaker may have a title, so abbreviations are joined first.
  const whole = joined(segments, (last, segment) => SMALL.test(segment) || GOES_ON.test(last));
  return joined(whole, (last, segment) => SAID.test(last) && isSpeaker(segment)).filter((sentence) =>
    /\p{L}/u.test(sentence),
  );
}

/** Pieces in order, each joined to the one before where it goes on with it. */
function joined(pieces: readonly string[], goesOn: (last: string, piece: string) => boolean): string[] {
  const made: string[] = [];
  for (const piece of pieces) {
    const last = made.at(-1);
    if (last !== undefined && goesOn(last, piece)) made[made.length - 1] = `${last}${piece}`;
    else made.push(piece);
  }
  return made;
}

const isSpeaker = (segment: string): boolean => SPEAKER.test(segment.replace(/^(?:Mr|Mrs|Ms|Dr|Prof)\.\s+/u, ""));
