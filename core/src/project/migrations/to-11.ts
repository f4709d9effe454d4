type Loose = Record<string, unknown>;

const isLoose = (v: unknown): v is Loose => typeof v === 'object' && v !== null && !Array.isArray(v);

const inMockups = (campaign: unknown): unknown =>
  isLoose(campaign) && isLoose(campaign.style) ? { ...campaign, style: { scene: null, ...campaign.style } } : campaign;

/** A campaign can show its books in a scene of its own: until now each showed them as they were in Mockups. */
export function to11(old: Loose): Loose {
  const promos = Object.entries(isLoose(old.promos) ? old.promos : {});
  return {
    ...old,
    schema: 11,
    scenes: {},
    promos: Object.fromEntries(promos.map(([id, campaign]) => [id, inMockups(campaign)])),
  };
}

/** Steps of a history: a campaign, or a whole style, that one of them puts in has no scene yet. */
export function patchTo11<P extends { readonly path: readonly (string | number)[]; readonly value?: unknown }>(
  patch: P,
): P {
  const { path, value } = patch;
  if (path[0] !== 'promos' || !isLoose(value)) return patch;
  if (path.length === 1) return { ...patch, value: to11({ promos: value }).promos };
  if (path.length === 2) return { ...patch, value: inMockups(value) };
  return path.length === 3 && path[2] === 'style' ? { ...patch, value: { scene: null, ...value } } : patch;
}
