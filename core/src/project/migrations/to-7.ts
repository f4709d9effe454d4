type Loose = Record<string, unknown>;

const loose = (value: unknown): Loose => (typeof value === 'object' && value !== null ? (value as Loose) : {});

/** The brief says what sort of book it is; a title has a sketch sheet, which starts from the pictures of its cover. */
export const to7 = (old: Loose): Loose => {
  const brief = loose(old.brief);
  const parts = Object.values(loose(loose(old.cover).parts)).map(loose);
  const pictures = parts.flatMap((part) => {
    const { kind, asset } = loose(part.source);
    return part.kind === 'picture' && kind === 'asset' && typeof asset === 'string' ? [asset] : [];
  });
  const subtitled = typeof brief.subtitle === 'string' && brief.subtitle.trim() !== '';
  return {
    ...old,
    schema: 7,
    brief: { ...brief, kind: subtitled ? 'practical' : 'story', audience: 'anyone', moods: [] },
    sheet: {
      seed: 1,
      pictures: [...new Set(pictures)].slice(0, 5),
      house: false,
      must: { colour: null, cut: null, mark: null },
      favourites: [],
      taken: null,
    },
  };
};
