"use server";
import type { ActionResult } from "@/core/model/actionResult";
import { runAction } from "@/server/runtime/action";
import type { SignInSlip } from "./types";
import * as classes from "./writes/classes";
import * as erase from "./writes/erase";
import * as imports from "./writes/importRoster";
import { newSignIns, signOutClass, unlockStudents } from "./writes/newSignIns";
import { rollOver } from "./writes/rollOver";
import { setSettings } from "./writes/settings";
import * as staff from "./writes/staff";
import * as students from "./writes/students";
import { chooseInterests, setSupports } from "./writes/supports";

type Done = ActionResult<{ changeId: string }>;
type DoneOnce = ActionResult<{ changeId: string | null }>;

export async function setColumnAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => imports.setColumn(context, input));
}
export async function repairCellsAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => imports.repairCells(context, input));
}
export async function linkSameAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => imports.linkSame(context, input));
}
export async function setMakeClassesAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => imports.setMakeClasses(context, input));
}
export async function stopReadingAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => imports.stopReading(context, input));
}
export async function applyImportAction(
  input: unknown,
): Promise<ActionResult<{ changeId: string; classId: string | null }>> {
  return runAction((context) => imports.applyImport(context, input));
}
export async function newSignInsAction(input: unknown): Promise<ActionResult<SignInSlip[]>> {
  return runAction((context) => newSignIns(context, input));
}
export async function unlockStudentsAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => unlockStudents(context, input));
}
export async function signOutClassAction(input: unknown): Promise<ActionResult<{ ended: number }>> {
  return runAction((context) => signOutClass(context, input));
}
export async function makeClassAction(
  input: unknown,
): Promise<ActionResult<{ classId: string; changeId: string | null }>> {
  return runAction((context) => classes.makeClass(context, input));
}
export async function changeClassAction(input: unknown): Promise<Done> {
  return runAction((context) => classes.changeClass(context, input));
}
export async function archiveClassAction(input: unknown): Promise<Done> {
  return runAction((context) => classes.archiveClass(context, input));
}
export async function restoreClassAction(input: unknown): Promise<Done> {
  return runAction((context) => classes.restoreClass(context, input));
}
export async function shareClassAction(input: unknown): Promise<Done> {
  return runAction((context) => classes.shareClass(context, input));
}
export async function endShareAction(input: unknown): Promise<Done> {
  return runAction((context) => classes.endShare(context, input));
}
export async function placeStudentsAction(input: unknown): Promise<Done> {
  return runAction((context) => classes.placeStudents(context, input));
}
export async function addStudentAction(input: unknown): Promise<DoneOnce> {
  return runAction((context) => students.addStudent(context, input));
}
export async function correctStudentAction(input: unknown): Promise<Done> {
  return runAction((context) => students.correctStudent(context, input));
}
export async function archiveStudentAction(input: unknown): Promise<Done> {
  return runAction((context) => students.archiveStudent(context, input));
}
export async function restoreStudentAction(input: unknown): Promise<Done> {
  return runAction((context) => students.restoreStudent(context, input));
}
export async function setSupportsAction(input: unknown): Promise<Done> {
  return runAction((context) => setSupports(context, input));
}
export async function chooseInterestsAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => chooseInterests(context, input));
}
export async function addStaffAction(input: unknown): Promise<DoneOnce> {
  return runAction((context) => staff.addStaff(context, input));
}
export async function setSchoolRoleAction(input: unknown): Promise<Done> {
  return runAction((context) => staff.setSchoolRole(context, input));
}
export async function correctStaffAction(input: unknown): Promise<Done> {
  return runAction((context) => staff.correctStaff(context, input));
}
export async function archiveStaffAction(input: unknown): Promise<Done> {
  return runAction((context) => staff.archiveStaff(context, input));
}
export async function restoreStaffAction(input: unknown): Promise<Done> {
  return runAction((context) => staff.restoreStaff(context, input));
}
export async function setSettingsAction(input: unknown): Promise<Done> {
  return runAction((context) => setSettings(context, input));
}
export async function rollOverAction(input: unknown): Promise<Done> {
  return runAction((context) => rollOver(context, input));
}
export async function requestErasureAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => erase.requestErasure(context, input));
}
export async function decideOnErasureAction(input: unknown): Promise<ActionResult<void>> {
  return runAction((context) => erase.decideOnErasure(context, input));
}
