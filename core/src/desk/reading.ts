import { type Lab, chromaOf, labOf } from '../colour';
import { busyness, subjectIn, subjectOf } from '../compose';
import { type Raster, shrink } from '../pixels';
import { type Brush, type PaintingSpec, paintPicture } from '../paintings';
import type { Rect } from '../plane';

/** Parts of a picture where words may go, in the order in which they are offered. */
export const PLACES = ['top', 'foot', 'left', 'right', 'middle'] as const;
export type Place = (typeof PLACES)[number];

/** Where they lie, in fractions of the picture. */
export const PLACE_AREAS: Readonly<Record<Place, Rect>> = {
  top: { x: 0.06, y: 0.05, width: 0.88, height: 0.34 },
  foot: { x: 0.06, y: 0.61, width: 0.88, height: 0.34 },
  left: { x: 0.05, y: 0.1, width: 0.43, height: 0.8 },
  right: { x: 0.52, y: 0.1, width: 0.43, height: 0.8 },
  middle: { x: 0.14, y: 0.33, width: 0.72, height: 0.34 },
};

export const COLOURS = [
  'red',
  'orange',
  'yellow',
  'green',
  'teal',
  'blue',
  'violet',
  'pink',
  'brown',
  'white',
  'grey',
  'black',
] as const;
export type ColourName = (typeof COLOURS)[number];

/** What is measured of a picture. */
export type Reading = {
  /** Mean OKLab lightness, 0..1. */
  readonly light: number;
  /** Mean of how much lies between yellow and blue: above 0 warm, below cold. */
  readonly warmth: number;
  /** Mean busyness, 0..255. */
  readonly busy: number;
  /** Where words can go, the calmest first; none where nothing is calm. */
  readonly quiet: readonly Place[];
  /** Colours that fill an eighth of it or more, the most first. */
  readonly colours: readonly ColourName[];
};

/** Longer side at which pictures are read. */
export const READ_PX = 80;
/** A place is quiet where nine tenths of its cells are calmer than this, 0..255 ... */
const QUIET = 15;
/** ... and where lightness, OKLab, spreads no wider between its darkest and its lightest tenth: one colour of words reads on all of it. */
const EVEN = 0.26;
/** So much of the subject may lie in it. */
const MOST_SUBJECT = 0.25;
const LEAST_COLOUR = 0.125;

/** Names a colour as people do: by hue where there is one, else by lightness. */
export function nameOfColour(lab: Lab): ColourName {
  const [l, a, b] = lab;
  const chroma = chromaOf(lab);
  if (l < 0.24) return 'black';
  if (chroma < 0.03) return l > 0.88 ? 'white' : 'grey';
  if (chroma < 0.05 && l > 0.9) return 'white';
  const hue = ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
  if (hue < 15 || hue >= 345) return l > 0.68 ? 'pink' : 'red';
  if (hue < 42) return l > 0.76 ? 'pink' : l < 0.36 ? 'brown' : 'red';
  if (hue < 80) return l < 0.56 || chroma < 0.07 ? 'brown' : 'orange';
  if (hue < 112) return l < 0.5 ? 'brown' : 'yellow';
  if (hue < 165) return 'green';
  if (hue < 215) return 'teal';
  if (hue < 282) return 'blue';
  return hue < 325 ? 'violet' : l > 0.68 ? 'pink' : 'violet';
}

/** Paints a picture of the desk small and reads it. */
export function readPainting(spec: PaintingSpec, brush: Brush): Reading {
  const painted = paintPicture(spec, Math.round((4 * READ_PX) / Math.max(1, spec.tall)), brush);
  if (!painted) throw new Error('nothing stopped it');
  return readPicture(painted);
}

/** Reads a picture of any size. */
export function readPicture(source: Raster): Reading {
  const k = READ_PX / Math.max(source.width, source.height);
  const small = shrink(source, Math.round(source.width * k), Math.round(source.height * k));
  const map = busyness(small, 16);
  const subject = subjectOf(small);
  const counts = new Map<ColourName, number>();
  const lights = new Float32Array(small.width * small.height);
  let [light, warmth] = [0, 0];
  const n = small.width * small.height;
  for (let i = 0; i < n; i++) {
    const lab = labOf([small.data[i * 4], small.data[i * 4 + 1], small.data[i * 4 + 2]]);
    light += lab[0] / n;
    lights[i] = lab[0];
    warmth += lab[2] / n;
    const name = nameOfColour(lab);
    counts.set(name, (counts.get(name) ?? 0) + 1 / n);
  }
  const calm = PLACES.map((place) => {
    const area = PLACE_AREAS[place];
    const cells = within(map.cells, map.columns, map.rows, area);
    const even = within(lights, small.width, small.height, area);
    return {
      place,
      busy: tenth(cells, 9),
      spread: tenth(even, 9) - tenth(even, 1),
      about: subject.clear ? subjectIn(subject, area) : 0,
    };
  });
  return {
    light,
    warmth,
    busy: map.cells.reduce((sum, v) => sum + v, 0) / map.cells.length,
    quiet: calm
      .filter(({ busy, spread, about }) => busy < QUIET && spread < EVEN && about < MOST_SUBJECT)
      .sort((a, b) => a.busy + a.about * 25 - (b.busy + b.about * 25))
      .map(({ place }) => place),
    colours: [...counts]
      .filter(([, share]) => share >= LEAST_COLOUR)
      .sort((a, b) => b[1] - a[1])
      .map(([name]) => name),
  };
}

/** Values of a grid whose middles lie in a place, the lowest first. */
function within(grid: Float32Array, columns: number, rows: number, area: Rect): number[] {
  const found: number[] = [];
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const [u, v] = [(x + 0.5) / columns, (y + 0.5) / rows];
      if (u >= area.x && u <= area.x + area.width && v >= area.y && v <= area.y + area.height)
        found.push(grid[y * columns + x]);
    }
  return found.sort((a, b) => a - b);
}

/** The value below which so many tenths lie. */
const tenth = (sorted: readonly number[], tenths: number): number =>
  sorted[Math.floor((sorted.length * tenths) / 10)] ?? 255;
