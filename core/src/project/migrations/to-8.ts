type Loose = Record<string, unknown>;

const MADE_UP = 'A new book for your evenings';

/** Before, a title without a strapline led its promo with this line. What nobody wrote leads no ad: its strapline does. */
function withoutMadeUp(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutMadeUp);
  if (typeof value !== 'object' || value === null) return value;
  const { kind, text } = value as Loose;
  if (kind === 'own' && text === MADE_UP) return { kind: 'brief', field: 'strapline' };
  return Object.fromEntries(Object.entries(value).map(([name, inner]) => [name, withoutMadeUp(inner)]));
}

export const to8 = (old: Loose): Loose => ({ ...old, schema: 8, promo: withoutMadeUp(old.promo) });

/** The same for a patch of a title's history. */
export const patchTo8 = <P extends { readonly path: readonly (string | number)[]; readonly value?: unknown }>(
  patch: P,
): P => (patch.path[0] === 'promo' && 'value' in patch ? { ...patch, value: withoutMadeUp(patch.value) } : patch);
