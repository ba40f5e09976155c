/** Digits after the point that a display of this step has: 1 for 0.1, 0 for 1. */
export const digitsIn = (step: number) => Math.max(0, Math.min(3, Math.ceil(-Math.log10(step) - 1e-9)));
