type Loose = Record<string, unknown>;

const isLoose = (v: unknown): v is Loose => typeof v === 'object' && v !== null && !Array.isArray(v);

/** Before, a title had one promo: it becomes the one format of a first campaign, drawn by hand, and looks as it did. */
const FIRST = 'first';

function formatOf(doc: Loose): { id: string; own: unknown[] } {
  const { widthPx, heightPx } = doc;
  if (widthPx === 1080 && heightPx === 1080) return { id: 'square', own: [] };
  const [w, h] = [Number(widthPx), Number(heightPx)];
  const id = `own-${w}x${h}`;
  const zones = { top: 0, bottom: 0, left: 0, right: 0 };
  const displayPx = Math.max(60, Math.min(800, Math.round(w / 2)));
  return { id, own: [{ id, name: 'Own size', widthPx: w, heightPx: h, displayPx, zones }] };
}

/** The words of the button, which were shown: a promo that is given back to its rule still says them. */
function callOf(doc: Loose): string | null {
  const parts = isLoose(doc.parts) ? doc.parts : {};
  const call = isLoose(parts.call) ? parts.call : {};
  const says = isLoose(call.says) ? call.says : {};
  return says.kind === 'own' && typeof says.text === 'string' ? says.text.slice(0, 60) : null;
}

export function to9(old: Loose): Loose {
  const { promo, promoFollows, ...rest } = old;
  const doc = isLoose(promo) ? promo : {};
  const { id, own } = formatOf(doc);
  const campaign = {
    id: FIRST,
    name: 'Promo',
    message: {
      kind: 'announcement',
      wordings: [{ headline: null, line: null }],
      shown: 0,
      quotation: null,
      name: null,
      where: null,
      call: callOf(doc),
      link: null,
      badge: null,
      price: null,
      free: false,
      date: null,
      time: null,
      place: null,
      days: null,
    },
    reveal: { wrapping: 'paper', share: 0.22, at: null, stills: 5 },
    style: { look: 'dusk', tone: null, colour: null, backing: { kind: 'look' }, faces: null },
    formats: [id],
    own,
    made: { [id]: { kind: 'drawn', doc: promo, follows: promoFollows } },
    alt: {},
    favourites: [],
  };
  return { ...rest, schema: 9, promos: { [FIRST]: campaign } };
}

type Path = readonly (string | number)[];

/** The same for a patch of a title's history. All promos of schema 8 were 1080 x 1080. */
export function patchTo9<P extends { readonly path: Path }>(patch: P): P {
  const [top, ...rest] = patch.path;
  const made = ['promos', FIRST, 'made', 'square'];
  if (top === 'promo') return { ...patch, path: [...made, 'doc', ...rest] };
  if (top === 'promoFollows') return { ...patch, path: [...made, 'follows', ...rest] };
  return patch;
}
