/** Ranks: core 0; formats, db, ui, words 1; server, client 2; features 3; app 4. Same folder or a lower rank. */
const only = (name, from, ...to) => ({
  name: `${name}-imports`,
  severity: "error",
  from: { path: `^src/${from}/` },
  to: { path: "^src/", pathNot: [from, ...to].map((d) => `^src/${d}/`) },
});
/** Packages that core may use, by the one adapter that uses them. */
const coreAdapters = {
  "answers/compileExpression": ["mathjs"],
  "answers/editDistance": ["damerau-levenshtein"],
  "numeric/distribution": ["jstat"],
  "numeric/rational": ["fraction\\.js"],
  "items/(\\w+/body|optionsSchema|namedTexts|textsByName|itemBodySchema)": ["yup"],
  "reading/readability": [
    "automated-readability",
    "coleman-liau",
    "dale-chall",
    "dale-chall-formula",
    "flesch-kincaid",
    "syllable",
  ],
  "review/reviewMemory": ["ts-fsrs"],
};
const adapterFile = (name) => `^src/core/${name}\\.ts$`;
module.exports = {
  forbidden: [
    { name: "no-cycles", severity: "error", from: {}, to: { circular: true } },
    only("core", "core"),
    only("formats", "formats", "words", "core"),
    only("db", "db", "core/model"),
    only("ui", "ui", "words", "core/model"),
    only("words", "words", "core"),
    only("server", "server", "db", "formats", "words", "core"),
    only("client", "client", "formats", "words", "core"),
    only("features", "features", "server", "client", "db", "formats", "ui", "words", "core"),
    only("app", "app", "features", "server", "ui"),
    {
      name: "worlds-are-written-apart",
      comment: "What judges a decision shares no code with what makes it.",
      severity: "error",
      from: { path: "^scripts/prove/worlds/" },
      to: { path: "^src/" },
    },
    {
      name: "features-are-siblings",
      severity: "error",
      from: { path: "^src/features/([^/]+)/" },
      to: { path: "^src/features/", pathNot: "^src/features/$1/" },
    },
    {
      name: "views-get-props",
      severity: "error",
      from: { path: "^src/features/[^/]+/view/" },
      to: {
        path: "^src/(server|db)/|^src/features/[^/]+/(reads|writes|figure)(/|\\.ts$)",
        // A server action of its own: what a view gets of it is a call, not code.
        pathNot: "^src/server/history/undoAction\\.ts$",
        dependencyTypesNot: ["type-only"],
      },
    },
    {
      name: "only-reads-and-writes-query",
      severity: "error",
      from: { path: "^src/features/", pathNot: "^src/features/[^/]+/(reads|writes|figure)(/|\\.ts$)" },
      to: { path: "^src/db/" },
    },
    {
      name: "routes-do-not-write",
      severity: "error",
      from: { path: "^src/app/" },
      to: { path: "^src/features/[^/]+/writes" },
    },
    {
      name: "core-is-pure",
      severity: "error",
      from: { path: "^src/(core|formats)/" },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "core-needs-no-package",
      severity: "error",
      from: { path: "^src/core/", pathNot: Object.keys(coreAdapters).map(adapterFile) },
      to: { path: "node_modules/" },
    },
    ...Object.entries(coreAdapters).map(([name, packages]) => ({
      name: `core-adapter-${name}`,
      severity: "error",
      from: { path: adapterFile(name) },
      to: { path: "node_modules/", pathNot: `node_modules/(${packages.join("|")})/` },
    })),
    {
      name: "sql-only-in-db",
      severity: "error",
      from: { path: "^src/", pathNot: "^src/db/" },
      to: { path: "node_modules/(drizzle-orm|@libsql)/" },
    },
    {
      name: "nothing-imports-scripts",
      severity: "error",
      from: { path: "^src/" },
      to: { path: "^(demo|standins|scripts|tests|content)/" },
    },
    {
      name: "no-orphans",
      severity: "error",
      from: { orphan: true, pathNot: ["\\.d\\.ts$", "^scripts/", "^src/app/", "^tests/"] },
      to: {},
    },
    { name: "not-to-unresolvable", severity: "error", from: {}, to: { couldNotResolve: true, pathNot: "\\.css$" } },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "require", "node", "default", "types"],
    },
  },
};
