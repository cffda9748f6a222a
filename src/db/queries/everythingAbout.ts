import "server-only";
import { eq, getTableColumns } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { credentials, sessions } from "../schema/access";
import { talkNotes } from "../schema/evidence";
import { factAttempts, factDays, factSettings, factStates } from "../schema/facts";
import { changeSubjects, changes, signIns } from "../schema/history";
import { outsideScores, scoreLists } from "../schema/outsideScores";
import { enrollments, people, roles } from "../schema/people";
import { planStarts } from "../schema/plan";
import { groupMembers } from "../schema/regroup";
import { reteachCompared, reteachStudents, visits } from "../schema/reteach";
import { reviewSettings, reviewSkills } from "../schema/review";
import { sittings } from "../schema/sittings";
import { interests, studentGoals, supports } from "../schema/students";
import { misconceptionDays, misconceptionSigns, skillDays, skillStates } from "../schema/summaries";
import { assignmentTargets, furtherTries, studentLines } from "../schema/work";
import { answersOfPerson, scoresOfPerson, uncountedAnswersOf } from "./answerLog";
import { lessonVisitsOf } from "./lessonVisits";
import { placementsOf } from "./placements";
import { ratingsOfPerson } from "./ratings";
import { standingOfPerson } from "./standingAnswers";

type Rows = readonly Readonly<Record<string, unknown>>[];

/** All rows that are about a person, by table. Secrets are left out: a hash is of no use to anybody but a thief. */
export async function everythingAbout(db: Queryable, personId: string): Promise<Readonly<Record<string, Rows>>> {
  return {
    person: await db.select().from(people).where(eq(people.id, personId)),
    roles: await db.select().from(roles).where(eq(roles.personId, personId)),
    enrollments: await db.select().from(enrollments).where(eq(enrollments.personId, personId)),
    groups: await db.select().from(groupMembers).where(eq(groupMembers.personId, personId)),
    supports: await db.select().from(supports).where(eq(supports.personId, personId)),
    interests: await db.select().from(interests).where(eq(interests.personId, personId)),
    "own-goal": await db.select().from(studentGoals).where(eq(studentGoals.personId, personId)),
    "sign-in": await db
      .select({ kind: credentials.kind, lastSignInAt: credentials.lastSignInAt, lockedUntil: credentials.lockedUntil })
      .from(credentials)
      .where(eq(credentials.personId, personId)),
    devices: await db
      .select({
        createdAt: sessions.createdAt,
        lastSeenAt: sessions.lastSeenAt,
        device: sessions.device,
        by: sessions.by,
      })
      .from(sessions)
      .where(eq(sessions.personId, personId)),
    "plan-beginnings": await db.select().from(planStarts).where(eq(planStarts.personId, personId)),
    work: await db.select().from(assignmentTargets).where(eq(assignmentTargets.personId, personId)),
    "further-tries": await db
      .select(getTableColumns(furtherTries))
      .from(furtherTries)
      .innerJoin(assignmentTargets, eq(assignmentTargets.id, furtherTries.targetId))
      .where(eq(assignmentTargets.personId, personId)),
    sittings: await db
      .select(getTableColumns(sittings))
      .from(sittings)
      .innerJoin(assignmentTargets, eq(assignmentTargets.id, sittings.targetId))
      .where(eq(assignmentTargets.personId, personId)),
    answers: await answersOfPerson(db, personId),
    scores: await scoresOfPerson(db, personId),
    "answers-not-handed-in": await standingOfPerson(db, personId),
    ratings: await ratingsOfPerson(db, personId),
    "answers-not-counted": await uncountedAnswersOf(db, personId),
    "lessons-read": await lessonVisitsOf(db, personId),
    "lines-from-teachers": await db.select().from(studentLines).where(eq(studentLines.personId, personId)),
    placements: await placementsOf(db, [personId]),
    "scores-from-elsewhere": await db
      .select({ ...getTableColumns(outsideScores), title: scoreLists.title, onDay: scoreLists.onDay })
      .from(outsideScores)
      .innerJoin(scoreLists, eq(scoreLists.id, outsideScores.listId))
      .where(eq(outsideScores.personId, personId)),
    levels: await db.select().from(skillStates).where(eq(skillStates.personId, personId)),
    "practice-days": await db.select().from(skillDays).where(eq(skillDays.personId, personId)),
    "known-mistakes": await db.select().from(misconceptionSigns).where(eq(misconceptionSigns.personId, personId)),
    talks: await db.select().from(talkNotes).where(eq(talkNotes.personId, personId)),
    "known-mistakes-by-day": await db.select().from(misconceptionDays).where(eq(misconceptionDays.personId, personId)),
    reteaching: await db.select().from(reteachStudents).where(eq(reteachStudents.personId, personId)),
    "compared-with-reteaching": await db.select().from(reteachCompared).where(eq(reteachCompared.personId, personId)),
    "minutes-alone": await db.select().from(visits).where(eq(visits.personId, personId)),
    "number-facts": await db.select().from(factAttempts).where(eq(factAttempts.personId, personId)),
    "number-facts-known": await db.select().from(factStates).where(eq(factStates.personId, personId)),
    "number-facts-by-day": await db.select().from(factDays).where(eq(factDays.personId, personId)),
    "review-settings": await db.select().from(reviewSettings).where(eq(reviewSettings.personId, personId)),
    "review-skills": await db.select().from(reviewSkills).where(eq(reviewSkills.personId, personId)),
    "number-facts-settings": await db.select().from(factSettings).where(eq(factSettings.personId, personId)),
    "signing-in": await db
      .select({ at: signIns.at, kind: signIns.kind, by: signIns.by, device: signIns.device })
      .from(signIns)
      .where(eq(signIns.personId, personId)),
    history: await db
      .select({ at: changes.at, area: changes.area, kind: changes.kind, facts: changes.facts })
      .from(changeSubjects)
      .innerJoin(changes, eq(changes.id, changeSubjects.changeId))
      .where(eq(changeSubjects.subjectId, personId)),
  };
}
