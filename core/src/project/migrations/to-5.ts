type Loose = Record<string, unknown>;

/** A title can have a photograph with its cover pinned on it. */
export const to5 = (old: Loose): Loose => ({ ...old, schema: 5, pin: null });
