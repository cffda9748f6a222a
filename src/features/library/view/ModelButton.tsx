"use client";
import { useState } from "react";
import { MovingModel } from "@/client/models/MovingModel";
import type { SkillTeaching } from "@/core/model/content";
import { Button } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";

/** Opens a model to move, large enough for the wall. */
export function ModelButton({
  model,
  title,
  children,
}: {
  readonly model: NonNullable<SkillTeaching["model"]>;
  readonly title: string;
  readonly children: string;
}) {
  const [large, setLarge] = useState(false);
  return (
    <>
      <Button look="quiet" onClick={() => setLarge(true)}>
        {children}
      </Button>
      <Dialog open={large} onOpenChange={setLarge} title={title} wide>
        <MovingModel kind={model.kind} setting={model.setting} />
      </Dialog>
    </>
  );
}
