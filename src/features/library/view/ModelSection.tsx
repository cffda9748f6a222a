"use client";
import { MovingModel } from "@/client/models/MovingModel";
import type { SkillTeaching } from "@/core/model/content";
import { ModelButton } from "./ModelButton";

/** The model that fits a skill, to move here or large on the wall. */
export function ModelSection({ model, title }: { readonly model: SkillTeaching["model"]; readonly title: string }) {
  if (!model) return null;
  return (
    <section className="no-print mt-8 max-w-2xl text-[15px]">
      <h2 className="mb-2 flex items-baseline gap-4 font-serif text-[18px] font-medium">
        A model to move
        <ModelButton model={model} title={title}>
          Show it large
        </ModelButton>
      </h2>
      <MovingModel kind={model.kind} setting={model.setting} />
    </section>
  );
}
