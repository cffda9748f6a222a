"use client";
import { useRun } from "@/client/useRun";
import { ITEM_SHARES, type StudentSupports, TIME_FACTORS } from "@/core/model/supports";
import { undoAction } from "@/server/history/undoAction";
import { FIELD } from "@/ui/primitives/Field";
import { dayWords } from "@/words/staff/dayWords";
import { setSupportsAction } from "../actions";

const TIME_WORDS = {
  1: "the usual time",
  1.25: "a quarter more time",
  1.5: "half as much time again",
  2: "twice the time",
} as const;
const SHARE_WORDS = { 1: "all items", 0.75: "three quarters of the items", 0.5: "half of the items" } as const;

/** Supports of a student; each change is applied at once, with an undo. */
export function SupportsForm({
  studentId,
  name,
  supports,
  subjects,
  mayChange,
}: {
  readonly studentId: string;
  readonly name: string;
  readonly supports: StudentSupports;
  readonly subjects: readonly { readonly id: string; readonly name: string }[];
  readonly mayChange: boolean;
}) {
  const run = useRun(undoAction);
  const subject = subjects.find(({ id }) => id === supports.leaveOutSubjectId);
  const set = (change: Partial<StudentSupports>) =>
    run(() => setSupportsAction({ ...supports, ...change, studentId }), `Changed the supports of ${name}.`);
  const tick = (field: "readAloud" | "largerText" | "separateSetting", words: string) => (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="accent-clay"
        checked={supports[field]}
        onChange={(event) => set({ [field]: event.target.checked })}
      />
      {words}
    </label>
  );
  return (
    <section aria-labelledby="supports">
      <h2 id="supports" className="mb-1.5 font-serif text-[19px] font-medium">
        Supports
      </h2>
      <fieldset disabled={!mayChange || run.busy} className="space-y-2">
        <p className="flex flex-wrap items-center gap-2">
          <select
            className={FIELD}
            aria-label="Time"
            value={supports.timeFactor}
            onChange={(event) => set({ timeFactor: Number(event.target.value) })}
          >
            {TIME_FACTORS.map((factor) => (
              <option key={factor} value={factor}>
                {TIME_WORDS[factor]}
              </option>
            ))}
          </select>
          <select
            className={FIELD}
            aria-label="Items"
            value={supports.itemShare}
            onChange={(event) => set({ itemShare: Number(event.target.value) })}
          >
            {ITEM_SHARES.map((share) => (
              <option key={share} value={share}>
                {SHARE_WORDS[share]}
              </option>
            ))}
          </select>
        </p>
        <p className="flex flex-wrap gap-x-5 gap-y-1">
          {tick("readAloud", "read aloud")}
          {tick("largerText", "larger text")}
          {tick("separateSetting", "a room of their own for tests")}
        </p>
        <label className="flex items-center gap-2">
          Language at home
          <input
            className={FIELD}
            defaultValue={supports.homeLanguage}
            maxLength={40}
            onBlur={(event) =>
              event.target.value === supports.homeLanguage ? null : set({ homeLanguage: event.target.value })
            }
          />
        </label>
        <form
          className="flex flex-wrap items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            const typed = new FormData(event.currentTarget);
            const of = (name: string) => String(typed.get(name) ?? "");
            set(
              supports.leaveOutOfTests
                ? { leaveOutOfTests: false, leaveOutReason: "" }
                : {
                    leaveOutOfTests: true,
                    leaveOutReason: of("reason"),
                    leaveOutSubjectId: of("subject") || null,
                    leaveOutUntil: of("until") || null,
                  },
            );
          }}
        >
          {supports.leaveOutOfTests ? (
            <span>
              Left out of tests{subject ? ` in ${subject.name.toLowerCase()}` : ""}
              {supports.leaveOutUntil === null ? "" : ` until ${dayWords(supports.leaveOutUntil)}`}:{" "}
              <b>{supports.leaveOutReason}</b>
            </span>
          ) : (
            <>
              <label className="flex items-center gap-2">
                Leave out of tests, because
                <input name="reason" className={FIELD} required maxLength={200} />
              </label>
              <label className="flex items-center gap-2">
                in
                <select name="subject" className={FIELD} aria-label="Subject of the tests">
                  <option value="">every subject</option>
                  {subjects.map(({ id, name: of }) => (
                    <option key={id} value={id}>
                      {of.toLowerCase()}
                    </option>
                  ))}
                </select>
              </label>
              <label className="flex items-center gap-2">
                until
                <input name="until" type="date" className={FIELD} aria-label="Until, empty for no end" />
              </label>
            </>
          )}
          {mayChange ? (
            <button type="submit" className="font-semibold underline underline-offset-4">
              {supports.leaveOutOfTests ? "Include again" : "Leave out"}
            </button>
          ) : null}
        </form>
      </fieldset>
      <p className="text-mute mt-2">
        Seen by staff of the student's classes and groups only; never by students or on paper.
      </p>
    </section>
  );
}
