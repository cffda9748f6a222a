import { sql } from "drizzle-orm";
import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { FINISH_REASONS, type SittingState } from "../../core/model/work";
import { changes } from "./history";
import { itemVersions } from "./items";
import { misconceptions, skills } from "./library";
import { people } from "./people";
import { assignmentTargets, parts } from "./work";

/** One run of one student at one part of what was given. */
export const sittings = sqliteTable(
  "sittings",
  {
    id: text("id").primaryKey(),
    targetId: text("target_id")
      .notNull()
      .references(() => assignmentTargets.id),
    partId: text("part_id")
      .notNull()
      .references(() => parts.id),
    /** 1 for the first; a retake is a sitting of its own. */
    attempt: integer("attempt").notNull(),
    /** Rises with every change, so that a state kept in memory is never written over a newer one. */
    version: integer("version").notNull(),
    startedAt: integer("started_at").notNull(),
    /** When the last answer was given; no later answer can be older. */
    lastAt: integer("last_at").notNull(),
    /** When it is handed in by itself; null where no time is set. */
    endsAt: integer("ends_at"),
    finishedAt: integer("finished_at"),
    finishReason: text("finish_reason", { enum: FINISH_REASONS }),
    itemsDone: integer("items_done").notNull(),
    itemsRight: integer("items_right").notNull(),
    /** Thousandths of the way to the end, for lists. */
    progressPermille: integer("progress_permille").notNull(),
    activeMilliseconds: integer("active_milliseconds").notNull(),
    /** The mark so far as an exact fraction ("7/10"); null before the first answer. */
    mark: text("mark"),
    /** What the part's conductor remembers. */
    state: text("state", { mode: "json" }).$type<SittingState>().notNull(),
  },
  (t) => [
    uniqueIndex("sittings_once").on(t.targetId, t.partId, t.attempt),
    index("sittings_by_part").on(t.partId),
    index("sittings_by_end").on(t.endsAt).where(sql`ends_at is not null and finished_at is null`),
  ],
);

/** An item that a sitting has shown, shows, or holds ready for a lost connection. */
export const sittingItems = sqliteTable(
  "sitting_items",
  {
    id: text("id").primaryKey(),
    sittingId: text("sitting_id")
      .notNull()
      .references(() => sittings.id),
    /** In the order of showing; what is in reserve stands behind. */
    place: integer("place").notNull(),
    state: text("state", { enum: ["reserve", "open", "done"] }).notNull(),
    /** The skill it was chosen for. */
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    versionId: text("version_id")
      .notNull()
      .references(() => itemVersions.id),
    seed: integer("seed").notNull(),
    context: text("context").notNull(),
    /** Stable ids of options in the order of showing, by part of the item; null where nothing has an order. */
    optionOrder: text("option_order", { mode: "json" }).$type<Readonly<Record<string, readonly string[]>>>(),
    tries: integer("tries").notNull(),
    /** What the first try earned of what was possible; null before it. */
    earned: integer("earned"),
    possible: integer("possible"),
    /** When the student was given it to try, or to try again: no try can have taken longer. */
    tryFrom: integer("try_from"),
    /** Hints that the server handed out. */
    hints: integer("hints").notNull(),
    /** What it weighs in the mark. */
    points: integer("points").notNull().default(1),
    /** The student said that it was not learned yet. */
    setAside: integer("set_aside", { mode: "boolean" }).notNull().default(false),
  },
  (t) => [
    index("sitting_items_by_sitting").on(t.sittingId, t.place),
    index("sitting_items_by_version").on(t.versionId),
    // What a person still has to score: few rows at any time, asked for with every list of work.
    index("sitting_items_waiting").on(t.sittingId).where(sql`earned is null and tries > 0 and set_aside = 0`),
    index("sitting_items_by_skill").on(t.skillId),
  ],
);

/** What students did. Append-only. What it is worth stands in `scores`. */
export const answers = sqliteTable(
  "answers",
  {
    serial: integer("serial").primaryKey({ autoIncrement: true }),
    /** Made by the browser: the same answer sent twice is stored once. */
    key: text("key").notNull().unique(),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    sittingItemId: text("sitting_item_id")
      .notNull()
      .references(() => sittingItems.id),
    tryNumber: integer("try_number").notNull(),
    /** By part of the item, with stable option ids: never a place after a shuffle. */
    response: text("response", { mode: "json" }).$type<Readonly<Record<string, unknown>>>().notNull(),
    hintsUsed: integer("hints_used").notNull(),
    /** Active time of this try. */
    milliseconds: integer("milliseconds").notNull(),
    /** When the student gave it, placed by the server (`placeAnswer`), and when the server wrote it. */
    givenAt: integer("given_at").notNull(),
    recordedAt: integer("recorded_at").notNull(),
    /** School day of giving, as a day number in the school's zone. */
    day: integer("day").notNull(),
    /** Whose word the time, the hints and the active time are: the server's, or only the device's. */
    witness: text("witness", { enum: ["server", "device"] }).notNull(),
    /** Came after the due time and is believed to be given before it. */
    lateClaim: integer("late_claim", { mode: "boolean" }).notNull(),
    /** What the device's own clock showed; null where it showed no instant. */
    deviceClock: integer("device_clock"),
  },
  (t) => [index("answers_by_person").on(t.personId), index("answers_by_item").on(t.sittingItemId)],
);

/**
 * What answers are worth. Append-only: a changed key or a marked text is a new score that supersedes the old one. Together
 * with its answer a row holds everything that the summaries need, so that they can be rebuilt from it alone.
 */
export const scores = sqliteTable(
  "scores",
  {
    serial: integer("serial").primaryKey({ autoIncrement: true }),
    answerSerial: integer("answer_serial")
      .notNull()
      .references(() => answers.serial),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    /** The part of the item. */
    part: text("part").notNull(),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    /** The exact share is earned / possible, both whole; what that weighs in a mark are the points. */
    earned: integer("earned").notNull(),
    possible: integer("possible").notNull(),
    points: integer("points").notNull(),
    misconceptionId: text("misconception_id").references(() => misconceptions.id),
    /** The student's grade, and the skill's and the item's parameters in force. */
    grade: integer("grade"),
    skillDifficulty: real("skill_difficulty").notNull(),
    a: real("a").notNull(),
    b: real("b").notNull(),
    c: real("c").notNull(),
    /** Where a diagnostic had placed the student in the skill's strand, in logits, with its error; null without one. */
    startTheta: real("start_theta"),
    startSe: real("start_se"),
    by: text("by", { enum: ["rule", "person", "re-score"] }).notNull(),
    scorerId: text("scorer_id").references(() => people.id),
    scoredAt: integer("scored_at").notNull(),
    /** The score that this one takes the place of. */
    supersedes: integer("supersedes"),
    /** The entry of the history that made it by a command; null for what followed from an answer or from taking that back. */
    changeId: text("change_id").references(() => changes.id),
  },
  (t) => [
    index("scores_by_person_skill").on(t.personId, t.skillId, t.answerSerial),
    index("scores_by_answer").on(t.answerSerial),
    index("scores_by_skill").on(t.skillId),
    // Most scores have none of these: they cost nothing then.
    index("scores_by_misconception").on(t.misconceptionId).where(sql`misconception_id is not null`),
    index("scores_by_scorer").on(t.scorerId).where(sql`scorer_id is not null`),
    index("scores_by_change").on(t.changeId).where(sql`change_id is not null`),
    uniqueIndex("scores_superseded_once").on(t.supersedes).where(sql`supersedes is not null`),
  ],
);

/**
 * The answer that stands to an item of a test that is not handed in yet: it may be changed, and is worth nothing so far. Handing in makes it one
 * of the `answers`; what was changed before goes to `uncounted_answers`.
 */
export const standingAnswers = sqliteTable("standing_answers", {
  sittingItemId: text("sitting_item_id")
    .primaryKey()
    .references(() => sittingItems.id),
  key: text("key").notNull().unique(),
  response: text("response", { mode: "json" }).$type<Readonly<Record<string, unknown>>>().notNull(),
  /** As it stood on the screen, for going on with it on another device. */
  screen: text("screen", { mode: "json" }).$type<Readonly<Record<string, unknown>>>(),
  flagged: integer("flagged", { mode: "boolean" }).notNull(),
  hintsUsed: integer("hints_used").notNull(),
  milliseconds: integer("milliseconds").notNull(),
  givenAt: integer("given_at").notNull(),
  recordedAt: integer("recorded_at").notNull(),
  witness: text("witness", { enum: ["server", "device"] }).notNull(),
  lateClaim: integer("late_claim", { mode: "boolean" }).notNull(),
  deviceClock: integer("device_clock"),
});

/** Where diagnostics left students, strand by strand. Append-only: the latest of a strand is what a skill without answers starts from. */
export const placements = sqliteTable(
  "placements",
  {
    sittingId: text("sitting_id")
      .notNull()
      .references(() => sittings.id),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    strandId: text("strand_id").notNull(),
    theta: real("theta").notNull(),
    se: real("se").notNull(),
    placedAt: integer("placed_at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.sittingId, t.strandId] }), index("placements_by_person").on(t.personId, t.placedAt)],
);

/** What persons gave written answers, by the rubric. Append-only: the latest of an answer's part stands, the others tell how it came to that. */
export const ratings = sqliteTable(
  "ratings",
  {
    serial: integer("serial").primaryKey({ autoIncrement: true }),
    /** Made by the browser: sent twice, it is kept once. */
    key: text("key").notNull().unique(),
    answerSerial: integer("answer_serial")
      .notNull()
      .references(() => answers.serial),
    part: text("part").notNull(),
    raterId: text("rater_id")
      .notNull()
      .references(() => people.id),
    /** Points by criterion, in the order of the rubric of the item's version. */
    points: text("points", { mode: "json" }).$type<readonly number[]>().notNull(),
    ratedAt: integer("rated_at").notNull(),
  },
  (t) => [index("ratings_by_answer").on(t.answerSerial), index("ratings_by_rater").on(t.raterId)],
);

/** What students sent that counts for nothing, with the reason: nothing that they wrote is lost. Append-only. */
export const uncountedAnswers = sqliteTable(
  "uncounted_answers",
  {
    /** Made by the browser, as for an answer that counts. */
    key: text("key").primaryKey(),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    sittingItemId: text("sitting_item_id")
      .notNull()
      .references(() => sittingItems.id),
    /** As it was sent. */
    sent: text("sent").notNull(),
    reason: text("reason", { enum: ["too-late", "withdrawn", "over", "elsewhere", "unreadable", "changed"] }).notNull(),
    givenAt: integer("given_at").notNull(),
    recordedAt: integer("recorded_at").notNull(),
  },
  (t) => [index("uncounted_answers_by_person").on(t.personId), index("uncounted_answers_by_item").on(t.sittingItemId)],
);

/** A lesson that a student opened while working, and for how long: itself, and the model in it. Append-only; it counts for nothing. */
export const lessonVisits = sqliteTable(
  "lesson_visits",
  {
    /** Made by the browser: sent twice, it is kept once. */
    key: text("key").primaryKey(),
    personId: text("person_id")
      .notNull()
      .references(() => people.id),
    /** Null for one that was looked up by itself. */
    sittingId: text("sitting_id").references(() => sittings.id),
    skillId: text("skill_id")
      .notNull()
      .references(() => skills.id),
    openedAt: integer("opened_at").notNull(),
    /** That the lesson could be seen. */
    milliseconds: integer("milliseconds").notNull(),
    /** From the first to the last move of its model; 0 where it was not moved. */
    modelMilliseconds: integer("model_milliseconds").notNull(),
    modelMoves: integer("model_moves").notNull(),
  },
  (t) => [
    index("lesson_visits_by_person").on(t.personId, t.skillId),
    index("lesson_visits_by_sitting").on(t.sittingId),
    index("lesson_visits_by_skill").on(t.skillId),
  ],
);
