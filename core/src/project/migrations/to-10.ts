type Loose = Record<string, unknown>;

const isLoose = (v: unknown): v is Loose => typeof v === 'object' && v !== null && !Array.isArray(v);

/** Campaigns can move now: each has a motion. What a reveal tears has one of many shapes: it was always the same one. */
export function to10(old: Loose): Loose {
  const promos = Object.entries(isLoose(old.promos) ? old.promos : {}).map(([id, campaign]) => [
    id,
    isLoose(campaign)
      ? {
          ...campaign,
          reveal: isLoose(campaign.reveal) ? { ...campaign.reveal, shape: 7 } : campaign.reveal,
          motion: { kind: 'swing', arrive: true, seconds: 6 },
        }
      : campaign,
  ]);
  return { ...old, schema: 10, promos: Object.fromEntries(promos) };
}

/** Steps of a history need nothing: they change what is there still, as it was. A campaign that one of them adds has no motion yet. */
export function patchTo10<P extends { readonly path: readonly (string | number)[]; readonly value?: unknown }>(
  patch: P,
): P {
  const { path, value } = patch;
  if (path[0] !== 'promos' || path.length > 2 || !isLoose(value)) return patch;
  const { promos } = to10({ promos: path.length === 2 ? { one: value } : value }) as { promos: Loose };
  return { ...patch, value: path.length === 2 ? promos.one : promos };
}
