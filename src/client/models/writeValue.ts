/** A value of a model as it is said: whole numbers plainly, others with as many places as they need, two at most. */
export const writeValue = (value: number): string => String(Math.round(value * 100) / 100).replace("-", "−");
