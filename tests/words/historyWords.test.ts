import { describe, expect, it } from "vitest";
import { AREA_OF_CHANGE, type NamedFacts, peopleInFacts } from "@/core/model/changeFacts";
import { SIGN_IN_KINDS } from "@/core/model/signInKind";
import { CHANGE_MESSAGES } from "@/words/staff/historyMessages";
import { changeWords, kindsThatSay, signInKindsThatSay, signInWords } from "@/words/staff/historyWords";

const nameOf = (id: string) => ({ ada: "Ada Quill", ben: "Ben Marsh" })[id] ?? "somebody";
const moved = { personId: null, students: 3, from: null, to: null };
const none = { added: 0, changed: 0, inactive: 0, restored: 0 };
const imported = { file: "sheet.csv", into: null, entries: 4, people: none, places: { added: 0, inactive: 0 } };

const SENTENCES: readonly (readonly [NamedFacts, string])[] = [
  [{ kind: "roster-imported", facts: imported }, "Imported sheet.csv: 4 changes"],
  [
    {
      kind: "roster-imported",
      facts: {
        ...imported,
        into: "6 Heron",
        people: { ...none, added: 1, inactive: 2 },
        places: { added: 1, inactive: 0 },
      },
    },
    "Imported sheet.csv into 6 Heron: 1 person added, 2 made inactive, 1 enrollment begun",
  ],
  [
    { kind: "rolled-over", facts: { term: "Spring", movedUp: 80, left: 2, made: 1, putAway: 4 } },
    "Rolled over to Spring: 80 students moved up, 2 left, 1 class made, 4 put away",
  ],
  [
    { kind: "class-made", facts: { name: "Own", grade: 6, students: 1 } },
    "Made the class Own (grade 6) with 1 student",
  ],
  [
    { kind: "class-changed", facts: { before: "A", name: "B", untilDay: "2026-12-18" } },
    "A is now B, until 18 Dec 2026",
  ],
  [{ kind: "class-changed", facts: { before: "A", name: "B", untilDay: null } }, "A is now B"],
  [{ kind: "class-put-away", facts: { name: "A" } }, "Put the class away: A"],
  [{ kind: "class-brought-back", facts: { name: "A" } }, "Brought the class back: A"],
  [
    { kind: "class-shared", facts: { personId: "ben", role: "substitute", name: "A", untilDay: "2026-11-27" } },
    "Ben Marsh is substitute of A until 27 Nov 2026",
  ],
  [
    { kind: "class-share-ended", facts: { personId: "ben", role: "co-teacher" } },
    "Ben Marsh is no longer co-teacher of the class",
  ],
  [{ kind: "students-placed", facts: { ...moved, from: "A", to: "B" } }, "3 students moved from A to B"],
  [{ kind: "students-placed", facts: { ...moved, personId: "ada", students: 1, to: "B" } }, "Ada Quill joined B"],
  [{ kind: "students-placed", facts: { ...moved, from: "A" } }, "3 students left A"],
  [{ kind: "student-added", facts: { personId: "ada" } }, "Added Ada Quill to the class"],
  [{ kind: "student-corrected", facts: { personId: "ada", fields: 1 } }, "Corrected an entry of Ada Quill"],
  [{ kind: "student-corrected", facts: { personId: "ada", fields: 2 } }, "Corrected entries of Ada Quill"],
  [{ kind: "student-left", facts: { personId: "ada" } }, "Ada Quill left the school; the evidence is kept"],
  [{ kind: "student-came-back", facts: { personId: "ada" } }, "Ada Quill is back at the school"],
  [{ kind: "interests-chosen", facts: { personId: "ada" } }, "Ada Quill chose interests"],
  [{ kind: "supports-changed", facts: { personId: "ada" } }, "Changed the supports of Ada Quill"],
  [{ kind: "staff-added", facts: { personId: "ben", role: "specialist" } }, "Added Ben Marsh as specialist"],
  [{ kind: "staff-corrected", facts: { personId: "ben", field: "email" } }, "Corrected the email address of Ben Marsh"],
  [{ kind: "staff-corrected", facts: { personId: "ben", field: "name" } }, "Corrected the name of Ben Marsh"],
  [{ kind: "staff-left", facts: { personId: "ben", classes: 0 } }, "Ben Marsh left the staff"],
  [{ kind: "staff-left", facts: { personId: "ben", classes: 2 } }, "Ben Marsh left the staff, and is off 2 classes"],
  [{ kind: "staff-came-back", facts: { personId: "ben" } }, "Ben Marsh is back on the staff"],
  [{ kind: "role-given", facts: { personId: "ben", role: "coordinator" } }, "Ben Marsh is now coordinator"],
  [
    { kind: "coordinator-named", facts: { personId: "ben" } },
    "Ben Marsh was made coordinator by whoever runs the server",
  ],
  [{ kind: "sign-ins-made", facts: { personId: "ada", students: 1, cards: true } }, "New PIN and card for Ada Quill"],
  [{ kind: "sign-ins-made", facts: { personId: null, students: 24, cards: false } }, "New PINs for 24 students"],
  [{ kind: "waits-lifted", facts: { personIds: ["ada", "ben"] } }, "Ada Quill, Ben Marsh may try to sign in again"],
  [{ kind: "class-signed-out", facts: { devices: 1 } }, "Signed everyone out of the class (1 device)"],
  [
    { kind: "roster-taken-out", facts: { classes: [], format: "package", sinceDay: "2026-09-01" } },
    "Took out the whole roster as a roster package, changes since 1 Sep 2026",
  ],
  [
    { kind: "roster-taken-out", facts: { classes: ["A", "B"], format: "xlsx", sinceDay: null } },
    "Took out the roster of A, B as XLSX",
  ],
  [{ kind: "student-taken-out", facts: { personId: "ada" } }, "Took out everything that is kept about Ada Quill"],
  [
    {
      kind: "settings-changed",
      facts: { staffIdleMinutes: 30, studentIdleMinutes: 60, lateGraceHours: 72, keepYears: 1 },
    },
    "Sessions end after 30 min (staff) and 60 min (students) unused; answers that waited on a device count up to 72 h after the due time; evidence is kept for 1 year",
  ],
  [
    {
      kind: "settings-changed",
      facts: { staffIdleMinutes: 30, studentIdleMinutes: 60, lateGraceHours: 72, keepYears: 2, decimalMark: "comma" },
    },
    "Sessions end after 30 min (staff) and 60 min (students) unused; answers that waited on a device count up to 72 h after the due time; evidence is kept for 2 years; a comma parts decimals",
  ],
  [{ kind: "erasure-asked", facts: { personId: "ada" } }, "Asked for Ada Quill to be erased"],
  [{ kind: "erasure-declined", facts: { personId: "ada" } }, "Declined to erase Ada Quill"],
  [{ kind: "erased", facts: { personId: "gone" } }, "Erased somebody for good"],
  [{ kind: "work-items-added", facts: { title: "T", items: 2 } }, "Added 2 items to “T”"],
  [
    { kind: "work-assigned", facts: { title: "{n} for #1", students: 1, of: 24 } },
    "Assigned “{n} for #1” to 1 of 24 students",
  ],
  [
    { kind: "work-prepared", facts: { title: "W", students: 22, of: 24 } },
    "Prepared “W” for 22 of 24 students, not given yet",
  ],
  [
    { kind: "work-for-marked", facts: { students: 14, works: 2 } },
    "Gave 14 students practice on what each was marked for in the map, 2 pieces of work",
  ],
  [{ kind: "work-added-to", facts: { title: "W", personId: "ada", students: 1 } }, "Gave “W” to Ada Quill too"],
  [
    { kind: "work-skipped", facts: { title: "W", personId: null, students: 2 } },
    "“W”: 2 students who joined later need not do it",
  ],
  [{ kind: "work-given", facts: { title: "W" } }, "Gave “W”, which was prepared"],
  [
    { kind: "work-released", facts: { title: "W", what: ["score", "answers"] } },
    "Let students see score, answers of “W”",
  ],
  [
    { kind: "work-granted", facts: { title: "W", personId: "ada", students: 1 } },
    "“W”: granted something beyond the settings to Ada Quill",
  ],
  [
    { kind: "item-dropped", facts: { title: "W", place: 3, partItemId: "p", placed: null, shown: 1 } },
    "Left item 3 out of “W”",
  ],
  [{ kind: "work-kept", facts: { title: "W" } }, "Kept “W” to be given again"],
  [{ kind: "work-shared", facts: { title: "W" } }, "Shared “W” with colleagues"],
  [{ kind: "work-unshared", facts: { title: "W" } }, "“W” is shared no longer"],
  [{ kind: "work-put-away", facts: { title: "W" } }, "Archived the kept work “W”"],
  [{ kind: "marked-absent", facts: { title: "W", students: 2 } }, "“W”: changed who was absent, 2 students"],
  [{ kind: "series-made", facts: { title: "W", pieces: 6 } }, "Set up the series “W”, 6 pieces"],
  [
    { kind: "series-piece-given", facts: { title: "W, 23 Nov", students: 1 } },
    "Gave “W, 23 Nov” of a series to 1 student",
  ],
  [{ kind: "series-ended", facts: { title: "W" } }, "Ended the series “W”"],
  [{ kind: "work-paused", facts: { title: "W" } }, "Paused “W” for everybody"],
  [{ kind: "work-resumed", facts: { title: "W", minutes: 0 } }, "“W” goes on"],
  [{ kind: "work-resumed", facts: { title: "W", minutes: 3 } }, "“W” goes on; 3 minutes given to those whose time ran"],
  [{ kind: "work-ended", facts: { title: "W" } }, "Ended “W” for everybody"],
  [
    { kind: "talk-noted", facts: { skill: "Unit rates", reason: "haste", personId: "ada", students: 1 } },
    "Noted after a talk on “Unit rates” why it went wrong for Ada Quill: haste",
  ],
  [
    { kind: "nought-said", facts: { title: "Ratios quiz", personId: null, students: 3, counts: true } },
    "“Ratios quiz” counts as nought for 3 students who did not hand it in",
  ],
  [
    { kind: "week-expected", facts: { classes: ["6 Alder", "6 Rowan"], minutes: 40, pieces: 1 } },
    "Expects 40 minutes and 1 finished piece a week of 6 Alder, 6 Rowan",
  ],
  [
    {
      kind: "goal-set",
      facts: {
        classes: ["6 Alder"],
        aim: "amount",
        unit: "pieces",
        target: 12,
        level: null,
        skills: 0,
        untilDay: "2026-12-04",
      },
    },
    "Set a goal for 6 Alder: 12 finished pieces each by 4 Dec 2026",
  ],
  [
    {
      kind: "goal-set",
      facts: {
        classes: ["6 Alder"],
        aim: "level",
        unit: null,
        target: null,
        level: "secure",
        skills: 2,
        untilDay: "2026-12-04",
      },
    },
    "Set a goal for 6 Alder: 2 skills at Secure by 4 Dec 2026",
  ],
  [{ kind: "goal-given-up", facts: { className: "6 Alder" } }, "Gave up a goal of 6 Alder"],
  [
    { kind: "pointer-sent", facts: { personId: "ada", forDay: "2026-11-26" } },
    "Pointed Ada Quill to a view, for 26 Nov 2026",
  ],
  [{ kind: "pointer-done", facts: { personId: "ada" } }, "Did what Ada Quill had pointed to"],
  [{ kind: "report-taken-out", facts: { report: "Marks", format: "xlsx" } }, "Took out the report “Marks” as a file"],
  [{ kind: "lines-sent", facts: { line: "word", personId: "ada", students: 1 } }, "Sent a word to Ada Quill"],
  [{ kind: "lines-sent", facts: { line: "praise", personId: null, students: 4 } }, "Praised 4 students"],
  [
    { kind: "further-try-given", facts: { title: "W", personId: "ada", students: 1 } },
    "“W”: gave Ada Quill another try",
  ],
  [{ kind: "work-rules-changed", facts: { title: "W" } }, "changed the rules of “W”"],
  [{ kind: "part-opened", facts: { title: "W", part: "2", students: 3 } }, "“W”: opened part 2 for 3 students"],
  [{ kind: "work-due-moved", facts: { title: "W", dueDay: "2026-12-04" } }, "“W” is now due 4 Dec 2026"],
  [{ kind: "work-withdrawn", facts: { title: "W" } }, "Withdrew “W”"],
  [{ kind: "groups-made", facts: { names: ["A"], students: 5 } }, "Made the group “A” with 5 students"],
  [{ kind: "groups-made", facts: { names: ["A", "B"], students: null } }, "Made 2 groups: “A”, “B”"],
  [{ kind: "group-changed", facts: { name: "A" } }, "Changed the group “A”"],
  [{ kind: "group-put-away", facts: { name: "A" } }, "Archived the group “A”"],
  [{ kind: "members-moved", facts: { ...moved, students: 1, from: "A", to: "B" } }, "1 student moved from “A” to “B”"],
  [
    { kind: "group-shared", facts: { personId: "ben", name: "A", untilDay: null } },
    "Shared the group “A” with Ben Marsh",
  ],
  [{ kind: "group-share-ended", facts: { personId: "ben", name: "A" } }, "Ben Marsh no longer shares the group “A”"],
  [
    { kind: "reteach-assigned", facts: { skill: "Unit rates", group: "A" } },
    "Assigned reteach practice and a check on Unit rates to “A”",
  ],
  [
    { kind: "group-habits-changed", facts: { className: "6 Alder" } },
    "Changed when and how the groups of 6 Alder are made",
  ],
  [
    { kind: "presence-noted", facts: { name: "A", there: 4, away: 1 } },
    "Noted who was there when “A” was taught: 4 there, 1 away",
  ],
  [
    { kind: "own-reteach-kept", facts: { skill: "Unit rates", approach: "things", shared: true } },
    "Changed the reteach plan of Unit rates for next time, for colleagues too",
  ],
  [
    { kind: "visit-noted", facts: { personId: "ada", skill: "Unit rates", result: "nearly" } },
    "Noted a few minutes with Ada Quill on Unit rates: nearly",
  ],
  [
    { kind: "outside-scores-kept", facts: { title: "Spring test", students: 21, strands: 2 } },
    "Brought in scores of “Spring test”: 21 students, 2 strands",
  ],
  [
    { kind: "fact-settings-changed", facts: { className: "6 Alder", personId: null, on: true } },
    "Changed how number facts are practised in 6 Alder",
  ],
  [
    { kind: "review-settings-changed", facts: { className: "6 Alder", personId: "ada", on: false } },
    "Switched review off for Ada Quill",
  ],
  [
    {
      kind: "review-skills-placed",
      facts: { className: "6 Alder", personId: null, place: "resting", skill: null, skills: 2 },
    },
    "Let 2 skills rest from review in 6 Alder",
  ],
  [{ kind: "outside-scores-removed", facts: { title: "Spring test" } }, "Took the scores of “Spring test” away"],
  [{ kind: "bank-made", facts: { name: "Ferries" } }, "Made the bank “Ferries”"],
  [{ kind: "bank-changed", facts: { name: "Ferries" } }, "Changed the settings of the bank “Ferries”"],
  [{ kind: "bank-put-away", facts: { name: "Ferries" } }, "Put the bank “Ferries” away"],
  [{ kind: "bank-brought-back", facts: { name: "Ferries" } }, "Brought the bank “Ferries” back"],
  [
    { kind: "bank-opened", facts: { name: "Ferries", personId: "ada", school: null, role: null, level: "change" } },
    "Opened for changes the bank “Ferries” to Ada Quill",
  ],
  [
    { kind: "bank-opened", facts: { name: "Ferries", personId: null, school: "Weir", role: "teacher", level: "use" } },
    "Opened the bank “Ferries” to the teachers of Weir",
  ],
  [
    { kind: "bank-opened", facts: { name: "F", personId: null, school: "Weir", role: null, level: "look-after" } },
    "Handed over the bank “F” to everybody of Weir",
  ],
  [
    { kind: "bank-closed", facts: { name: "Ferries", personId: null, school: "Weir" } },
    "Closed the bank “Ferries” to Weir",
  ],
  [
    { kind: "item-put-into-use", facts: { line: "How many boats?", version: 2 } },
    "Put version 2 of an item into use: How many boats?",
  ],
  [{ kind: "item-put-into-use", facts: { line: "", version: 1 } }, "Put version 1 of an item into use"],
  [{ kind: "items-moved", facts: { items: 1, from: "A", to: "B" } }, "Moved 1 item from “A” to “B”"],
  [
    { kind: "items-imported", facts: { file: "boats.zip", to: "B", inUse: 3, drafts: 1, versions: 2 } },
    "Brought 3 items into “B”, 1 draft, 2 new versions, from boats.zip",
  ],
  [
    { kind: "items-imported", facts: { file: "", to: "B", inUse: 1, drafts: 0, versions: 0 } },
    "Brought 1 item into “B”",
  ],
  [{ kind: "items-taken-out", facts: { items: 2, from: "", format: "package" } }, "Took 2 items out as a package"],
  [
    { kind: "items-taken-out", facts: { items: 2, from: "B", format: "xlsx" } },
    "Took 2 items of “B” out as a workbook",
  ],
  [
    { kind: "framework-imported", facts: { title: "T", isNew: true, added: 1, changed: 0, gone: 0 } },
    "Brought the standards “T” in: 1 entry",
  ],
  [
    { kind: "framework-imported", facts: { title: "T", isNew: false, added: 2, changed: 3, gone: 1 } },
    "Brought “T” up to date: 2 added, 3 changed, 1 gone",
  ],
  [{ kind: "passage-kept", facts: { title: "Tide", version: 1 } }, "Wrote the passage “Tide”"],
  [{ kind: "passage-kept", facts: { title: "", version: 2 } }, "Changed a passage"],
  [{ kind: "passage-retired", facts: { title: "Tide" } }, "Retired the passage “Tide”"],
  [{ kind: "passage-brought-back", facts: { title: "" } }, "Brought a passage back into use"],
  [{ kind: "framework-followed", facts: { title: "T" } }, "Reports follow “T”"],
  [{ kind: "items-copied", facts: { items: 3, to: "B" } }, "Copied 3 items to “B”"],
  [{ kind: "estimates-adopted", facts: { items: 2 } }, "Put estimates of 2 items into force, from the answers"],
  [{ kind: "items-kept-apart", facts: { items: 2, apart: true } }, "Kept 2 items apart"],
  [{ kind: "items-kept-apart", facts: { items: 3, apart: false } }, "Let 3 items stand together"],
  [{ kind: "items-retired", facts: { items: 2 } }, "Retired 2 items"],
  [{ kind: "items-brought-back", facts: { items: 1 } }, "Brought 1 item back into use"],
  [{ kind: "note-kept", facts: { about: "item", shared: false } }, "Changed a note of one's own on an item"],
  [
    { kind: "plan-chosen", facts: { subject: "Mathematics", grade: 6, classes: 2 } },
    "Planned the year of grade 6 in Mathematics for 2 classes",
  ],
  [
    { kind: "calendar-changed", facts: { added: 5, removed: 1, classes: 2 } },
    "Changed the school calendar: 5 days off more, 1 day off fewer; 2 classes have other dates",
  ],
  [{ kind: "plan-given", facts: { name: "Our year", classes: 2 } }, "Planned by “Our year” for 2 classes"],
  [{ kind: "plan-made", facts: { name: "P" } }, "Made the plan “P”"],
  [{ kind: "plan-renamed", facts: { name: "P" } }, "Renamed a plan to “P”"],
  [{ kind: "plan-put-away", facts: { name: "P" } }, "Put the plan “P” away"],
  [{ kind: "plan-brought-back", facts: { name: "P" } }, "Brought the plan “P” back"],
  [
    { kind: "plan-opened", facts: { name: "P", personId: "ada", school: null, level: "change" } },
    "Opened the plan “P” to Ada Quill, to change it",
  ],
  [
    { kind: "plan-opened", facts: { name: "P", personId: null, school: "Weir", level: "use" } },
    "Opened the plan “P” to the staff of Weir, to use it",
  ],
  [
    { kind: "plan-closed", facts: { name: "P", personId: null, school: "Weir" } },
    "Closed the plan “P” to the staff of Weir",
  ],
  [
    { kind: "shared-plan-changed", facts: { name: "P", what: "insert", slot: "Ratios" } },
    "Put into the plan “P”: Ratios",
  ],
  [
    { kind: "plan-taken-over", facts: { name: "P", taken: 2, left: 1 } },
    "Later changes of its original in the plan “P”: 2 taken over, 1 left",
  ],
  [
    { kind: "class-plan-taken-over", facts: { name: "P", taken: 1, left: 0 } },
    "Later changes of the plan “P”: 1 taken over, 0 left",
  ],
  [
    { kind: "plan-run-set", facts: { runs: true, pace: "own" } },
    "Let the plan run by itself, at each student’s own pace",
  ],
  [{ kind: "plan-run-set", facts: { runs: false, pace: "own" } }, "The plan does not run by itself any more"],
  [
    { kind: "plan-starts-set", facts: { students: 2, from: "slot", slot: "Ratios" } },
    "Set where 2 students begin the plan: at Ratios",
  ],
  [{ kind: "networks-changed", facts: { networks: 1 } }, "Changed by which addresses a student is at school: 1 range"],
  [{ kind: "plan-changed", facts: { what: "move", slot: "Ratios", classes: 1 } }, "Moved in the plan: Ratios"],
  [{ kind: "note-kept", facts: { about: "unit", shared: true } }, "Changed a note of one's own on a unit"],
  [
    { kind: "item-rescored", facts: { itemId: "own/key", version: 2 } },
    "Judged the answers to own/key by version 2 of its key",
  ],
  [{ kind: "undone", facts: { of: { kind: "work-withdrawn", facts: { title: "W" } } } }, "Undone: Withdrew “W”"],
  [{ kind: "said", facts: { sentence: "{person:ada} was here" } }, "Ada Quill was here"],
];

describe("what the history says", () => {
  it.each(SENTENCES)("%j", (change, sentence) => {
    expect(changeWords(change, nameOf)).toBe(sentence);
  });

  it("has a sentence for every kind, each with an example here", () => {
    const told = new Set(SENTENCES.map(([{ kind }]) => kind));
    expect(Object.keys(AREA_OF_CHANGE).filter((kind) => !told.has(kind as NamedFacts["kind"]))).toEqual([]);
    expect(Object.keys(CHANGE_MESSAGES).sort()).toEqual(Object.keys(AREA_OF_CHANGE).sort());
  });

  it("names people by id only, also in what was taken back", () => {
    const inner: NamedFacts = { kind: "waits-lifted", facts: { personIds: ["ada", "ben"] } };
    expect(peopleInFacts({ kind: "undone", facts: { of: inner } })).toEqual(["ada", "ben"]);
    expect(peopleInFacts({ kind: "students-placed", facts: moved })).toEqual([]);
  });

  it("is found by the words of its sentences, and not by names of their values or choices", () => {
    expect(kindsThatSay("withdrew")).toEqual(["work-withdrawn"]);
    expect(kindsThatSay("Reteach")).toEqual(["reteach-assigned", "own-reteach-kept"]);
    for (const word of ["untilDayGiven", "plural", "yes"]) expect(kindsThatSay(word)).toEqual([]);
    expect(signInKindsThatSay("second step")).toEqual(["second-step-set", "second-step-removed"]);
  });
});

it("comings and goings have a sentence for every kind", () => {
  const said = SIGN_IN_KINDS.map((kind) => signInWords({ kind, personId: "ada", by: "pin", device: "iPad" }, nameOf));
  expect(new Set(said).size).toBe(SIGN_IN_KINDS.length);
  expect(said.every((sentence) => sentence.includes("Ada Quill"))).toBe(true);
  expect(said[0]).toBe("Ada Quill signed in by PIN on iPad");
  expect(signInWords({ kind: "signed-in", personId: "ada", by: "card", device: "" }, nameOf)).toBe(
    "Ada Quill signed in by card",
  );
});
