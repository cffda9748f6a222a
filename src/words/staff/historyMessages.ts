import type { ChangeKind } from "@/core/model/changeFacts";
import type { SignInKind } from "@/core/model/signInKind";

const UNTIL = "{untilDayGiven, select, yes { until {untilDay}} other {}}";
const ROLE =
  "{role, select, teacher {teacher} substitute {substitute} specialist {specialist} coordinator {coordinator} other {{role}}}";
const WHO = "{personGiven, select, yes {{person}} other {{students, plural, one {# student} other {# students}}}}";

/**
 * What the history says of each kind of change, as ICU messages. Values are the kind's facts: a person's id as `person`, days
 * in words, lists joined, and for each that may be missing whether it is given.
 */
export const CHANGE_MESSAGES: Readonly<Record<Exclude<ChangeKind, "undone" | "said">, string>> = {
  "roster-imported": "Imported {file}{intoGiven, select, yes { into {into}} other {}}: {counts}",
  "rolled-over":
    "Rolled over to {term}: {movedUp, plural, one {# student} other {# students}} moved up, {left, number} left, {made, plural, one {# class} other {# classes}} made, {putAway, number} put away",
  "class-made": "Made the class {name} (grade {grade}) with {students, plural, one {# student} other {# students}}",
  "class-changed": "{before} is now {name}{untilDayGiven, select, yes {, until {untilDay}} other {}}",
  "class-put-away": "Put the class away: {name}",
  "class-brought-back": "Brought the class back: {name}",
  "class-shared": `{person} is ${ROLE} of {name}${UNTIL}`,
  "class-share-ended": `{person} is no longer ${ROLE} of the class`,
  "students-placed": `{move, select, across {${WHO} moved from {from} to {to}} in {${WHO} joined {to}} other {${WHO} left {from}}}`,
  "student-added": "Added {person} to the class",
  "student-corrected": "Corrected {fields, plural, one {an entry} other {entries}} of {person}",
  "student-left": "{person} left the school; the evidence is kept",
  "student-came-back": "{person} is back at the school",
  "interests-chosen": "{person} chose interests",
  "supports-changed": "Changed the supports of {person}",
  "staff-added": `Added {person} as ${ROLE}`,
  "staff-corrected": "Corrected {field, select, email {the email address} other {the name}} of {person}",
  "staff-left":
    "{person} left the staff{classes, plural, =0 {} one {, and is off a class} other {, and is off # classes}}",
  "staff-came-back": "{person} is back on the staff",
  "role-given": `{person} is now ${ROLE}`,
  "coordinator-named": "{person} was made coordinator by whoever runs the server",
  "sign-ins-made": `{personGiven, select, yes {New {cards, select, yes {PIN and card} other {PIN}} for {person}} other {New {cards, select, yes {PINs and cards} other {PINs}} for {students, plural, one {# student} other {# students}}}}`,
  "waits-lifted": "{people} may try to sign in again",
  "class-signed-out": "Signed everyone out of the class ({devices, plural, one {# device} other {# devices}})",
  "roster-taken-out":
    "Took out {whole, select, yes {the whole roster} other {the roster of {classes}}} as {format, select, package {a roster package} csv {CSV} tsv {TSV} xlsx {XLSX} other {{format}}}{sinceDayGiven, select, yes {, changes since {sinceDay}} other {}}",
  "student-taken-out": "Took out everything that is kept about {person}",
  "settings-changed":
    "Sessions end after {staffIdleMinutes} min (staff) and {studentIdleMinutes} min (students) unused; answers that waited on a device count up to {lateGraceHours} h after the due time; evidence is kept for {keepYears, plural, one {# year} other {# years}}{decimalMark, select, comma {; a comma parts decimals} point {; a point parts decimals} other {}}",
  "erasure-asked": "Asked for {person} to be erased",
  "erasure-declined": "Declined to erase {person}",
  erased: "Erased {person} for good",
  "work-items-added": "Added {items, plural, one {# item} other {# items}} to “{title}”",
  "work-assigned": "Assigned “{title}” to {students} of {of, plural, one {# student} other {# students}}",
  "work-prepared":
    "Prepared “{title}” for {students} of {of, plural, one {# student} other {# students}}, not given yet",
  "work-for-marked":
    "Gave {students, plural, one {# student} other {# students}} practice on what each was marked for in the map, {works, plural, one {# piece of work} other {# pieces of work}}",
  "work-given": "Gave “{title}”, which was prepared",
  "work-released": "Let students see {what} of “{title}”",
  "work-granted":
    "“{title}”: granted something beyond the settings to {students, plural, =1 {{person}} other {# students}}",
  "work-paused": "Paused “{title}” for everybody",
  "work-resumed":
    "“{title}” goes on{minutes, plural, =0 {} one {; # minute given to those whose time ran} other {; # minutes given to those whose time ran}}",
  "work-ended": "Ended “{title}” for everybody",
  "lines-sent":
    "{line, select, word {Sent a word} reminder {Reminded} comment {Commented on the work of} other {Praised}}{line, select, word { to } other { }}{students, plural, =1 {{person}} other {# students}}",
  "talk-noted":
    "Noted after a talk on “{skill}” why it went wrong for {students, plural, =1 {{person}} other {# students}}: {reason, select, reading {reading load} skill {the skill itself} haste {haste} frustration {frustration} other {something else}}",
  "week-expected":
    "Expects {minutes, plural, one {# minute} other {# minutes}} and {pieces, plural, one {# finished piece} other {# finished pieces}} a week of {classes}",
  "goal-set":
    "Set a goal for {classes}: {aim, select, amount {{target} {unit, select, minutes {minutes} pieces {finished pieces} other {skills mastered}} each} other {{skills, plural, one {# skill} other {# skills}} at {level, select, secure {Secure} other {Developing}}}} by {untilDay}",
  "goal-given-up": "Gave up a goal of {className}",
  "pointer-sent": "Pointed {person} to a view, for {forDay}",
  "pointer-done": "Did what {person} had pointed to",
  "nought-said":
    "“{title}” {counts, select, yes {counts as nought} other {counts as nought no more}} for {students, plural, =1 {{person}} other {# students}} who did not hand it in",
  "report-taken-out": "Took out the report “{report}” as a file",
  "item-dropped": "Left item {place} out of “{title}”",
  "work-kept": "Kept “{title}” to be given again",
  "work-shared": "Shared “{title}” with colleagues",
  "work-unshared": "“{title}” is shared no longer",
  "work-put-away": "Archived the kept work “{title}”",
  "marked-absent": "“{title}”: changed who was absent, {students, plural, one {# student} other {# students}}",
  "series-made": "Set up the series “{title}”, {pieces, plural, one {# piece} other {# pieces}}",
  "series-piece-given": "Gave “{title}” of a series to {students, plural, one {# student} other {# students}}",
  "series-ended": "Ended the series “{title}”",
  "work-added-to": "Gave “{title}” to {students, plural, =1 {{person}} other {# further students}} too",
  "work-skipped": "“{title}”: {students, plural, =1 {{person}} other {# students}} who joined later need not do it",
  "further-try-given": "“{title}”: gave {students, plural, =1 {{person}} other {# students}} another try",
  "work-rules-changed": "changed the rules of “{title}”",
  "part-opened": "“{title}”: opened part {part} for {students, plural, one {# student} other {# students}}",
  "work-due-moved": "“{title}” is now due {dueDay}",
  "work-withdrawn": "Withdrew “{title}”",
  "groups-made":
    "Made {count, plural, one {the group {quoted}} other {# groups: {quoted}}}{studentsGiven, select, yes { with {students, plural, one {# student} other {# students}}} other {}}",
  "group-changed": "Changed the group “{name}”",
  "group-put-away": "Archived the group “{name}”",
  "members-moved": `{move, select, across {${WHO} moved from “{from}” to “{to}”} in {${WHO} joined the group “{to}”} other {${WHO} left the group “{from}”}}`,
  "group-shared": `Shared the group “{name}” with {person}${UNTIL}`,
  "group-share-ended": "{person} no longer shares the group “{name}”",
  "reteach-assigned": "Assigned reteach practice and a check on {skill} to “{group}”",
  "group-habits-changed": "Changed when and how the groups of {className} are made",
  "presence-noted": "Noted who was there when “{name}” was taught: {there} there{away, plural, =0 {} other {, # away}}",
  "own-reteach-kept":
    "Changed the reteach plan of {skill} for next time{shared, select, yes {, for colleagues too} other {}}",
  "visit-noted":
    "Noted a few minutes with {person} on {skill}: {result, select, got {got it} nearly {nearly} other {not yet}}",
  "outside-scores-kept":
    "Brought in scores of “{title}”: {students, plural, one {# student} other {# students}}, {strands, plural, one {# strand} other {# strands}}",
  "fact-settings-changed":
    "{on, select, yes {Changed how number facts are practised} other {Switched number facts off}} {personGiven, select, yes {by {person}} other {in {className}}}",
  "review-settings-changed":
    "{on, select, yes {Changed what is reviewed and how long} other {Switched review off}} {personGiven, select, yes {for {person}} other {in {className}}}",
  "review-skills-placed":
    "{place, select, in {Took} resting {Let} other {Took}} {skillGiven, select, yes {{skill}} other {{skills, plural, one {# skill} other {# skills}}}} {place, select, in {into review} resting {rest from review} other {out of review}} {personGiven, select, yes {of {person}} other {in {className}}}",
  "outside-scores-removed": "Took the scores of “{title}” away",
  "bank-made": "Made the bank “{name}”",
  "bank-changed": "Changed the settings of the bank “{name}”",
  "bank-put-away": "Put the bank “{name}” away",
  "bank-brought-back": "Brought the bank “{name}” back",
  "bank-opened":
    "{level, select, use {Opened} change {Opened for changes} other {Handed over}} the bank “{name}” to {personGiven, select, yes {{person}} other {{roleGiven, select, yes {{role, select, teacher {the teachers} specialist {the specialists} other {the coordinators}}} other {everybody}} of {school}}}",
  "bank-closed": "Closed the bank “{name}” to {personGiven, select, yes {{person}} other {{school}}}",
  "item-put-into-use": "Put version {version} of an item into use{lineGiven, select, yes {: {line}} other {}}",
  "items-moved": "Moved {items, plural, one {# item} other {# items}} from “{from}” to “{to}”",
  "items-copied": "Copied {items, plural, one {# item} other {# items}} to “{to}”",
  "items-imported":
    "Brought {inUse, plural, =0 {no items} one {# item} other {# items}} into “{to}”{drafts, plural, =0 {} one {, # draft} other {, # drafts}}{versions, plural, =0 {} one {, # new version} other {, # new versions}}{fileGiven, select, no {} other {, from {file}}}",
  "items-taken-out":
    "Took {items, plural, one {# item} other {# items}}{fromGiven, select, no {} other { of “{from}”}} out as {format, select, package {a package} xlsx {a workbook} other {a sheet}}",
  "items-kept-apart": "{apart, select, yes {Kept {items} items apart} other {Let {items} items stand together}}",
  "estimates-adopted": "Put estimates of {items, plural, one {# item} other {# items}} into force, from the answers",
  "items-retired": "Retired {items, plural, one {# item} other {# items}}",
  "items-brought-back": "Brought {items, plural, one {# item} other {# items}} back into use",
  "passage-kept":
    "{version, plural, =1 {Wrote} other {Changed}} {titleGiven, select, no {a passage} other {the passage “{title}”}}",
  "passage-retired": "Retired {titleGiven, select, no {a passage} other {the passage “{title}”}}",
  "passage-brought-back": "Brought {titleGiven, select, no {a passage} other {the passage “{title}”}} back into use",
  "framework-imported":
    "{isNew, select, yes {Brought the standards “{title}” in: {added, plural, one {# entry} other {# entries}}} other {Brought “{title}” up to date: {added} added, {changed} changed, {gone} gone}}",
  "framework-followed": "Reports follow “{title}”",
  "plan-chosen": "Planned the year of grade {grade} in {subject}{classes, plural, one {} other { for # classes}}",
  "plan-given": "Planned by “{name}”{classes, plural, one {} other { for # classes}}",
  "plan-changed":
    "{what, select, move {Moved in} insert {Put into} remove {Took out of} other {Changed in}} the plan{classes, plural, one {} other { of # classes}}: {slot}",
  "plan-made": "Made the plan “{name}”",
  "plan-renamed": "Renamed a plan to “{name}”",
  "plan-put-away": "Put the plan “{name}” away",
  "plan-brought-back": "Brought the plan “{name}” back",
  "plan-opened":
    "Opened the plan “{name}” to {personGiven, select, yes {{person}} other {the staff of {school}}}, to {level, select, change {change it} other {use it}}",
  "plan-closed": "Closed the plan “{name}” to {personGiven, select, yes {{person}} other {the staff of {school}}}",
  "shared-plan-changed":
    "{what, select, move {Moved in} insert {Put into} remove {Took out of} other {Changed in}} the plan “{name}”: {slot}",
  "plan-taken-over": "Later changes of its original in the plan “{name}”: {taken} taken over, {left} left",
  "class-plan-taken-over": "Later changes of the plan “{name}”: {taken} taken over, {left} left",
  "plan-run-set":
    "{runs, select, yes {Let the plan run by itself, {pace, select, own {at each student’s own pace} other {with the class’s dates}}} other {The plan does not run by itself any more}}",
  "plan-starts-set":
    "Set where {students, plural, one {# student begins} other {# students begin}} the plan: {from, select, shown {by what they have shown} grade {by their grade} slot {at {slot}} other {at its beginning}}",
  "networks-changed":
    "Changed by which addresses a student is at school: {networks, plural, =0 {none, so nothing tells} one {# range} other {# ranges}}",
  "calendar-changed":
    "Changed the school calendar: {added, plural, =0 {} one {# day off more} other {# days off more}}{removed, plural, =0 {} one {{added, plural, =0 {} other {, }}# day off fewer} other {{added, plural, =0 {} other {, }}# days off fewer}}; {classes, plural, one {# class has} other {# classes have}} other dates",
  "note-kept": "Changed a note of one's own on {about, select, skill {a skill} unit {a unit} other {an item}}",
  "item-rescored": "Judged the answers to {itemId} by version {version} of its key",
};

/** The counts of a roster file, said only where they are not 0. */
export const IMPORT_COUNTS = {
  peopleAdded: "{n, plural, one {# person added} other {# people added}}",
  peopleChanged: "{n} changed",
  peopleInactive: "{n} made inactive",
  peopleRestored: "{n} back",
  placesAdded: "{n, plural, one {# enrollment begun} other {# enrollments begun}}",
  placesInactive: "{n} ended",
  entries: "{n, plural, one {# change} other {# changes}}",
} as const;

/** Taking back, and what goes before a sentence that was. */
export const UNDONE_MESSAGE = "Undone: {sentence}";

/** What is said of comings and goings at the doors. */
export const SIGN_IN_MESSAGES: Readonly<Record<SignInKind, string>> = {
  "signed-in":
    "{person} signed in by {by, select, pin {PIN} other {{by}}}{deviceGiven, select, yes { on {device}} other {}}",
  "must-wait": "Wrong tries with the {by, select, pin {PIN} other {{by}}} of {person}: further ones have to wait",
  "link-sent": "A link for a new password was sent to {person}",
  "password-by-link": "{person} set a new password by a link from the mail box",
  "password-changed": "{person} changed the own password; other devices were signed out",
  "second-step-set": "{person} set up a second step for signing in",
  "second-step-removed": "{person} removed the second step for signing in",
  "device-signed-out": "{person} signed a device out{deviceGiven, select, yes {: {device}} other {}}",
};

export const ERASED = "an erased student";
export const SOMEBODY = "somebody";
export const NOBODY = "nobody signed in";
