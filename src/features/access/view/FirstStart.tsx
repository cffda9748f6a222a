import { RiverMark } from "@/ui/primitives/RiverMark";

const CODE = "bg-bank block overflow-x-auto px-3 py-2 text-[15px]";

/** What whoever starts Oxbow on an empty database sees: how a first school comes into it. */
export function FirstStart() {
  return (
    <main className="mx-auto max-w-2xl px-5 py-16 text-[17px] leading-relaxed">
      <RiverMark />
      <h1 className="mt-4 mb-3 font-serif text-[26px] font-medium">No school has been set up yet</h1>
      <p>
        On the machine that runs Oxbow, in its folder, make the first one. This puts the teaching content in, and no
        made-up students; it prints the coordinator's password, who brings in the roster then.
      </p>
      <pre className="my-4">
        <code className={CODE}>
          {
            'npm run school -- --name "Our School" --zone Europe/Dublin --coordinator "Ada Sample" --email ada@school.example'
          }
        </code>
      </pre>
      <p>To look around first, a whole school with made-up students and ten weeks of their work:</p>
      <pre className="my-4">
        <code className={CODE}>npm run demo</code>
      </pre>
      <p className="text-mute">Then open this page again.</p>
    </main>
  );
}
