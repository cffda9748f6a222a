import { BOX, LABEL } from "./look";

interface Text {
  readonly title: string;
  readonly instructions: string;
}

/** What work is called, and what students read above it. */
export function WorkText({ title, instructions, set }: Text & { readonly set: (values: Partial<Text>) => void }) {
  return (
    <>
      <label className="block">
        <span className={LABEL}>Title, as students see it</span>
        <input
          className={`${BOX} w-full`}
          name="title"
          required
          maxLength={80}
          value={title}
          onChange={(event) => set({ title: event.target.value })}
        />
      </label>
      <label className="block">
        <span className={LABEL}>Instructions to students</span>
        <textarea
          className={`${BOX} w-full`}
          rows={2}
          maxLength={500}
          value={instructions}
          onChange={(event) => set({ instructions: event.target.value })}
        />
      </label>
    </>
  );
}
