type Loose = Record<string, unknown>;
const isLoose = (v: unknown): v is Loose => typeof v === 'object' && v !== null && !Array.isArray(v);

const every = { group: null, maskBelow: false, link: null };

const words = {
  wide: null,
  leastSize: null,
  smallCaps: false,
  alternates: false,
  setting: 'across',
  justified: false,
  baseline: null,
  fill: null,
  outline: null,
  shadow: null,
  glow: null,
  plate: null,
  ruleAbove: null,
  ruleBelow: null,
  accents: [],
};

const picture = {
  tileSize: 0.25,
  tileGap: 0,
  innerTurnRad: 0,
  flipX: false,
  flipY: false,
  mask: null,
  look: { brightness: 0, contrast: 0, saturation: 0, hueRad: 0, tint: null, blur: 0, grain: 0 },
  border: null,
  shadow: null,
};

/** Evenly spaced colours became stops; a radial gradient got a centre and a reach. */
function paint(old: unknown): unknown {
  if (!isLoose(old) || !Array.isArray(old.colours)) return old;
  const { colours, ...rest } = old;
  const list = colours as unknown[];
  const stops = list.map((colour, i) => ({ at: i / Math.max(1, list.length - 1), colour }));
  return rest.kind === 'radial' ? { kind: 'radial', centre: { x: 0.5, y: 0.5 }, reach: 1, stops } : { ...rest, stops };
}

function part(old: unknown): unknown {
  if (!isLoose(old)) return old;
  switch (old.kind) {
    case 'words':
      return { ...every, ...words, ...old };
    case 'picture':
      return { ...every, ...picture, ...old };
    case 'shape': {
      const { radius, ...rest } = old;
      return { ...every, fill: null, border: null, shadow: null, form: { kind: 'rectangle', radius }, ...rest };
    }
    case 'ground':
      return { ...every, border: null, ...old, paint: paint(old.paint) };
    default:
      return { ...every, ...old };
  }
}

function doc(old: unknown): unknown {
  if (!isLoose(old) || !isLoose(old.parts)) return old;
  return { ...old, parts: Object.fromEntries(Object.entries(old.parts).map(([id, one]) => [id, part(one)])) };
}

/** Schema 2: parts with forms, fills, effects and masks; kept versions, sibling sizes and a person's own faces. */
export const to2 = (book: Loose): Loose => ({
  ...book,
  schema: 2,
  cover: doc(book.cover),
  promo: doc(book.promo),
  versions: [],
  siblings: {},
  faces: {},
});
