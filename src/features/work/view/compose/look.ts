export const BOX = "bg-field border-ink border-[1.5px] px-2 py-1.5";
export const LABEL = "mb-1 block text-[15px] font-semibold";
