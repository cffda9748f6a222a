import "server-only";
import { object, string } from "yup";
import { type ClassDoor, openClassDoor, signInStaff, signInStudent, signOut } from "@/server/access/signIn";
import type { Runtime } from "@/server/runtime/runtime";
import { validated } from "@/server/runtime/validated";

const doorInput = object({
  code: string()
    .trim()
    .min(1, "Type the class code from your card.")
    .max(20, "A class code has six letters.")
    .required("Type the class code from your card."),
});
const studentInput = object({
  code: string().required(),
  studentId: string().required("Choose your name."),
  pin: string()
    .matches(/^\d{4}$/, "A PIN has four digits.")
    .required(),
});
const staffInput = object({
  email: string().trim().email("This is no email address.").required("Type your email address."),
  password: string().min(1, "Type your password.").max(200).required("Type your password."),
});

export const openDoor = (runtime: Runtime, raw: unknown): Promise<ClassDoor> =>
  openClassDoor(runtime, validated(doorInput, raw).code);
export const enterAsStudent = (runtime: Runtime, raw: unknown): Promise<string> =>
  signInStudent(runtime, validated(studentInput, raw));
export const enterAsStaff = (runtime: Runtime, raw: unknown): Promise<string> =>
  signInStaff(runtime, validated(staffInput, raw));
export const leave = (runtime: Runtime, token: string): Promise<void> => signOut(runtime, token);
