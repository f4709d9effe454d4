type Loose = Record<string, unknown>;

/** Pictures say who made them and by which right they are used. */
export const to6 = (old: Loose): Loose => {
  const assets = typeof old.assets === 'object' && old.assets !== null ? (old.assets as Record<string, Loose>) : {};
  return {
    ...old,
    schema: 6,
    assets: Object.fromEntries(Object.entries(assets).map(([id, asset]) => [id, { ...asset, rights: '' }])),
  };
};
