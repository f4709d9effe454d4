type Loose = Record<string, unknown>;

/** Spine and back can be compositions of their own; the brief has a text for the back. */
export const to4 = (old: Loose): Loose => ({
  ...old,
  schema: 4,
  brief: typeof old.brief === 'object' && old.brief !== null ? { blurb: '', ...old.brief } : old.brief,
  sides: { spine: null, back: null },
});
