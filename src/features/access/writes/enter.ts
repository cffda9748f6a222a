import "server-only";
import { object, string } from "yup";
import { PICTURES_IN_PIN } from "@/core/model/pictures";
import type { Doorstep } from "@/server/access/passDoor";
import { signOut } from "@/server/access/sessions";
import { type ClassDoor, openClassDoor, signInByCard, signInStaff, signInStudent } from "@/server/access/signIn";
import type { Runtime } from "@/server/runtime/runtime";
import { validated } from "@/server/runtime/validated";

const doorInput = object({
  code: string()
    .trim()
    .min(1, "Type the class code from your card.")
    .max(30, "A class code has ten letters and digits.")
    .required("Type the class code from your card."),
});
const PICTURE_PIN = new RegExp(String.raw`^\d{1,2}(-\d{1,2}){${PICTURES_IN_PIN - 1}}$`);
const studentInput = object({
  code: string().required(),
  studentId: string().required("Choose your name."),
  pin: string()
    .test("pin", "A PIN has four digits, or four pictures.", (text) =>
      Boolean(text && (/^\d{4}$/.test(text) || PICTURE_PIN.test(text))),
    )
    .required(),
});
const cardInput = object({
  token: string()
    .matches(/^[\w-]{22}$/, "This is no sign-in card of Oxbow. Hold the square code of your own card to the camera.")
    .required(),
});
const staffInput = object({
  email: string().trim().email("This is no email address.").required("Type your email address."),
  password: string().min(1, "Type your password.").max(200).required("Type your password."),
  code: string()
    .trim()
    .matches(/^\d{6}$/, { message: "The code has six digits.", excludeEmptyString: true }),
});

export const openDoor = (runtime: Runtime, raw: unknown): Promise<ClassDoor> =>
  openClassDoor(runtime, validated(doorInput, raw).code);
export const enterAsStudent = (runtime: Runtime, raw: unknown, from: Doorstep): Promise<string> =>
  signInStudent(runtime, validated(studentInput, raw), from);
export const enterByCard = (runtime: Runtime, raw: unknown, from: Doorstep): Promise<string> =>
  signInByCard(runtime, validated(cardInput, raw).token, from);
export const enterAsStaff = (runtime: Runtime, raw: unknown, from: Doorstep) =>
  signInStaff(runtime, validated(staffInput, raw), from);
export const leave = (runtime: Runtime, token: string): Promise<void> => signOut(runtime, token);
