/** The reports in the order of the band: where each is, its short name, and the question that it answers. */
export const REPORTS = [
  { path: "", name: "Map", question: "Who has mastered what?" },
  { path: "pieces", name: "One piece of work", question: "How did one piece of work go, and what follows?" },
  { path: "week", name: "The week", question: "Who works, who gets through, and where does it hold?" },
  { path: "put-in", name: "Work put in", question: "What was put in, and what came of it?" },
  { path: "marks", name: "Marks", question: "What do the marks come to?" },
  { path: "mistakes", name: "Mistakes", question: "Which idea goes wrong, for whom, and what answers it?" },
  { path: "gain", name: "Gain", question: "What has been gained from one test to the next?" },
  { path: "students", name: "One student", question: "Where does one student stand, and what is missing underneath?" },
  { path: "across", name: "Across classes", question: "What can the classes learn from one another?" },
] as const;
export type ReportPath = (typeof REPORTS)[number]["path"];
