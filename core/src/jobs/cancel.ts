/** Asked between slices of work; true means stop and answer nothing. */
export type Cancelled = () => boolean;

export const neverCancelled: Cancelled = () => false;

/** Share of the work done, 0..1. */
export type Progress = (done: number) => void;
