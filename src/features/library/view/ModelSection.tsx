"use client";
import { useState } from "react";
import { MovingModel } from "@/client/models/MovingModel";
import type { SkillTeaching } from "@/core/model/content";
import { Button } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";

/** The model that fits a skill, to move here or large on the wall. */
export function ModelSection({ model, title }: { readonly model: SkillTeaching["model"]; readonly title: string }) {
  const [large, setLarge] = useState(false);
  if (!model) return null;
  return (
    <section className="no-print mt-8 max-w-2xl text-[15px]">
      <h2 className="mb-2 flex items-baseline gap-4 font-serif text-[18px] font-medium">
        A model to move
        <Button look="quiet" onClick={() => setLarge(true)}>
          Show it large
        </Button>
      </h2>
      <MovingModel kind={model.kind} setting={model.setting} />
      <Dialog open={large} onOpenChange={setLarge} title={title} wide>
        <MovingModel kind={model.kind} setting={model.setting} />
      </Dialog>
    </section>
  );
}
