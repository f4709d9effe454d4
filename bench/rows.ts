/** One figure of the bench. */
export type Row = { readonly what: string; readonly value: number; readonly unit: string };

export const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
