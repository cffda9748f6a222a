import { proveDiagnostic } from "./prove/diagnostic";
import { proveEffort } from "./prove/effort";
import { proveGrouping } from "./prove/grouping";
import { provePractice } from "./prove/practice";
import { proveReview } from "./prove/review";
import { print } from "./prove/table";

/** Simulated students with known truth and fixed seeds: what the core decides against what is true. */
print("Practice until mastered", provePractice());
print("Adaptive diagnostic", proveDiagnostic());
print("Spaced review", proveReview());
print("Groups by need", await proveGrouping());
print("Effort flag", proveEffort());
