"use client";
import type { ComponentType } from "react";
import { isModelKind, type ModelKind, type ModelSetting } from "@/core/manipulatives/modelSetting";
import { AreaModel } from "./AreaModel";
import { ArrayModel } from "./ArrayModel";
import { BalanceModel } from "./BalanceModel";
import { BarsModel } from "./BarsModel";
import { BlocksModel } from "./BlocksModel";
import { DotPlotModel } from "./DotPlotModel";
import { DoubleLineModel } from "./DoubleLineModel";
import { GridModel } from "./GridModel";
import { LineModel } from "./LineModel";
import { RatioTableModel } from "./RatioTableModel";

const MODELS: Readonly<Record<ModelKind, ComponentType<{ readonly setting: ModelSetting }>>> = {
  "number-line": LineModel,
  "double-number-line": DoubleLineModel,
  "ratio-table": RatioTableModel,
  bars: BarsModel,
  "area-model": AreaModel,
  "place-value-blocks": BlocksModel,
  balance: BalanceModel,
  "coordinate-grid": GridModel,
  array: ArrayModel,
  "dot-plot": DotPlotModel,
};

/** A model to move, by pointer or by keys; nothing for a kind that is not known here. */
export function MovingModel({ kind, setting }: { readonly kind: string; readonly setting: ModelSetting }) {
  if (!isModelKind(kind)) return null;
  const Model = MODELS[kind];
  return (
    <div className="text-ink font-reading select-none">
      <Model setting={setting} />
    </div>
  );
}
