import { namesToHide } from "@/features/frame/reads/desk";
import { respond } from "@/server/runtime/respond";

/** The names that projector mode covers wherever they stand. */
export async function GET() {
  return respond(namesToHide);
}
