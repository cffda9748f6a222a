"use client";
import { useRouter } from "next/navigation";
import { type FormEvent, useState } from "react";
import { sayDone } from "@/client/notices";
import { Button } from "@/ui/primitives/Button";
import { WordEdit } from "@/ui/primitives/WordEdit";
import { keepPresetAction, putPresetAwayAction } from "../../actions";
import type { PresetView } from "../../types";
import { type Change, type Composition, filledIn, PRESETS } from "./composition";
import { BOX } from "./look";
import { presetOf, withPreset } from "./ownPresets";

const NAMES = Object.keys(PRESETS) as readonly (keyof typeof PRESETS)[];

/** Fills the page in at a touch: with what teachers give most days, or with settings of one's own, which are kept here too. */
export function FillIn({
  presets,
  composition,
  change,
}: {
  readonly presets: readonly PresetView[];
  readonly composition: Composition;
  readonly change: Change;
}) {
  const small = "px-0! py-0! text-[14px]!";
  return (
    <span className="text-mute ml-auto flex flex-wrap items-baseline gap-x-2 text-[14px]">
      Fill in as
      {NAMES.map((name) => (
        <Button
          key={name}
          look="quiet"
          className={small}
          aria-pressed={composition.filledAs === name}
          onClick={() => change((before) => filledIn(before, name))}
        >
          {PRESETS[name].name}
        </Button>
      ))}
      {presets.map(({ id, name, settings }) => (
        <Button
          key={id}
          look="quiet"
          className={small}
          onClick={() => change((before) => withPreset(before, settings))}
        >
          {name}
        </Button>
      ))}
      <WordEdit label="Own settings" word="keep these settings">
        <Own presets={presets} composition={composition} />
      </WordEdit>
    </span>
  );
}

function Own({ presets, composition }: { readonly presets: readonly PresetView[]; readonly composition: Composition }) {
  const router = useRouter();
  const [name, setName] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async (event: FormEvent) => {
    event.preventDefault();
    // The page around it is a form of its own, which this is not to send.
    event.stopPropagation();
    const result = await keepPresetAction({ name, settings: presetOf(composition) });
    setProblem(result.ok ? null : result.message);
    if (!result.ok) return;
    sayDone(`Kept the settings as “${name.trim()}”.`);
    setName("");
    router.refresh();
  };
  const away = async ({ id, name: of }: PresetView) => {
    const result = await putPresetAwayAction({ presetId: id, away: true });
    setProblem(result.ok ? null : result.message);
    if (!result.ok) return;
    router.refresh();
    sayDone(`Put the settings “${of}” away.`, async () => {
      const back = await putPresetAwayAction({ presetId: id, away: false });
      router.refresh();
      return back.ok ? { ok: true, data: `Put the settings “${of}” away` } : back;
    });
  };
  return (
    <form onSubmit={(event) => void keep(event)} className="text-ink w-72 space-y-2 text-[15px]">
      <label className="block">
        <span className="mb-1 block">A name; kinds, rules and times are kept, skills and students are not</span>
        <input
          className={`${BOX} w-full`}
          required
          maxLength={40}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <Button type="submit">Keep them</Button>
      {problem ? (
        <p role="alert" className="text-clay">
          {problem}
        </p>
      ) : null}
      {presets.length > 0 ? (
        <ul className="border-hair border-t pt-2">
          {presets.map((preset) => (
            <li key={preset.id} className="flex justify-between gap-3 py-0.5">
              {preset.name}
              <Button look="quiet" className="px-0! py-0!" onClick={() => void away(preset)}>
                Put away
              </Button>
            </li>
          ))}
        </ul>
      ) : null}
    </form>
  );
}
