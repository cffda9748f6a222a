import { proveDiagnostic } from "./prove/diagnostic";
import { proveEffort } from "./prove/effort";
import { proveFluency } from "./prove/fluency";
import { proveGrouping } from "./prove/grouping";
import { proveMasteryChoices, provePractice, provePredictions } from "./prove/practice";
import { proveReteach } from "./prove/reteach";
import { proveReview } from "./prove/review";
import { proveReviewPolicy } from "./prove/reviewPolicy";
import { proveShippedDiagnostic } from "./prove/shippedDiagnostic";
import { print } from "./prove/table";
import { proveWorthDoing } from "./prove/worthDoing";

/** Simulated students with known truth and fixed seeds: what the core decides against what is true. */
print("Mastery declared, world by world", provePractice());
print("Mastery by place, skill and choice", proveMasteryChoices());
print("Answers predicted", provePredictions());
print("Adaptive diagnostic", proveDiagnostic());
print("Adaptive diagnostic in the shipped content", proveShippedDiagnostic());
print("Spaced review", proveReview());
print("Spaced review where memory goes by another theory", proveReviewPolicy());
print("Number facts", proveFluency());
print("Groups by need", await proveGrouping());
print("Whether a reteach worked", proveReteach());
print("Worth doing first", proveWorthDoing());
print("Effort flag", proveEffort());
