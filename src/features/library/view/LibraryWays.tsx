import Link from "next/link";

const WAYS = [
  ["skills", "", "Skills"],
  ["units", "/units", "Units"],
  ["map", "/map", "Map"],
  ["items", "/items", "Items"],
  ["passages", "/passages", "Passages"],
  ["standards", "/standards", "Standards"],
  ["banks", "/banks", "Banks"],
] as const;

/** Ways through the library, under the title of each of its pages. */
export function LibraryWays({ base, at }: { readonly base: string; readonly at: (typeof WAYS)[number][0] }) {
  return (
    <nav aria-label="Library" className="no-print -mt-2 mb-4 flex gap-5 text-[15px]">
      {WAYS.map(([name, path, words]) => (
        <Link
          key={name}
          href={`${base}/library${path}`}
          aria-current={name === at ? "page" : undefined}
          className={
            name === at
              ? "border-ink border-b-2 font-semibold"
              : "decoration-hair hover:decoration-ink underline underline-offset-4"
          }
        >
          {words}
        </Link>
      ))}
    </nav>
  );
}
