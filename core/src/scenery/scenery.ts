import { type Random, never, seeded } from '../base';
import { type Hex, between } from '../colour';
import { type Ink, type InkItem, fill, flat, stroke } from '../ink';
import { type Path, type Point, PathBuilder, polygonPath, smoothPath } from '../plane';
import { H, W, dot, glow, hill, sky, trunk, veil } from './brushes';

/** Pictures that the product draws by itself, for a title that has none yet. */
export const SCENERIES = ['ridges', 'wood', 'night', 'meadow', 'discs'] as const;
export type SceneryKind = (typeof SCENERIES)[number];

/** Colours of a scenery: the sky above and at the horizon, what is far, what is near, and its light. */
export type SceneryColours = {
  readonly high: Hex;
  readonly low: Hex;
  readonly far: Hex;
  readonly near: Hex;
  readonly light: Hex;
};

/** A picture as a display list, 1600 x 2560; the same seed and colours give the same picture. */
export function scenery(kind: SceneryKind, seed: number, colours: SceneryColours): Ink {
  const random = seeded(seed * 7919 + SCENERIES.indexOf(kind));
  return { widthPx: W, heightPx: H, items: itemsOf(kind, random, colours) };
}

function itemsOf(kind: SceneryKind, random: Random, colours: SceneryColours): InkItem[] {
  switch (kind) {
    case 'ridges':
      return ridges(random, colours);
    case 'wood':
      return wood(random, colours);
    case 'night':
      return night(random, colours);
    case 'meadow':
      return meadow(random, colours);
    case 'discs':
      return discs(random, colours);
    default:
      return never(kind);
  }
}

/** The outline of a mountain range: midpoints displaced again and again, each time by less. */
function range(random: Random, y: number, height: number, rough: number): Point[] {
  let points: Point[] = [
    { x: -60, y: y + (random() - 0.5) * height },
    { x: W + 60, y: y + (random() - 0.5) * height },
  ];
  for (let swing = height; points.length < 200; swing *= rough)
    points = points.flatMap((p, i) => {
      const next = points[i + 1];
      return next ? [p, { x: (p.x + next.x) / 2, y: (p.y + next.y) / 2 + (random() - 0.5) * swing }] : [p];
    });
  return points;
}

const land = (edge: readonly Point[], colour: Hex): InkItem =>
  fill(polygonPath([{ x: -60, y: H + 60 }, ...edge, { x: W + 60, y: H + 60 }]), flat(colour));

function ridges(random: Random, { high, low, far, near, light }: SceneryColours): InkItem[] {
  const items: InkItem[] = [sky([high, between(high, low, 0.55), low], [0, 0.38, 0.66])];
  const x = W * (0.25 + random() * 0.5);
  const y = 1000 + random() * 260;
  items.push(glow(x, y, 1000, light, 0.5), dot(x, y, 120 + random() * 70, light));
  const rows = 6;
  for (let i = 0; i < rows; i++) {
    const t = i / (rows - 1);
    const base = 1350 + t * 900;
    items.push(land(range(random, base, 520 - 240 * t, 0.52), between(far, near, t ** 0.9)));
    // Mist lies in the valley before the next range.
    if (i < rows - 1) items.push(veil(base - 60, base + 460, low, 0.5 * (1 - t)));
  }
  return items;
}

function wood(random: Random, { high, low, far, near, light }: SceneryColours): InkItem[] {
  const x = W * (0.4 + random() * 0.2);
  const items: InkItem[] = [sky([high, between(high, low, 0.5), low, far], [0, 0.35, 0.68, 0.84])];
  items.push(glow(x, 1680, 1300, light, 0.65));
  const rows = 5;
  for (let i = 0; i < rows; i++) {
    const t = i / (rows - 1);
    const foot = 1880 + t * 420;
    const colour = between(between(low, far, 0.4), near, t);
    const count = 15 - i * 2;
    for (let k = 0; k < count; k++) {
      const at = (W * (k + random() * 0.9)) / count;
      // The middle is left open, so that the light comes through.
      if (Math.abs(at - x) < 90 + t * 320) continue;
      items.push(trunk(random, at, 26 + t * 120 + random() * 20, -80, foot, colour));
    }
    items.push(hill(random, foot - 30, 90, colour), veil(foot - 700, foot, light, 0.1 * (1 - t)));
  }
  for (let i = 0; i < 60; i++)
    items.push(
      dot(x + (random() - 0.5) * 900, 900 + random() * 1200, 1.5 + random() * 3.5, light, 0.2 + random() * 0.5),
    );
  return items;
}

function night(random: Random, { high, low, far, near, light }: SceneryColours): InkItem[] {
  const items: InkItem[] = [sky([high, between(high, low, 0.3), low], [0, 0.6, 0.86])];
  for (let i = 0; i < 260; i++)
    items.push(dot(random() * W, random() ** 1.4 * 1900, 0.9 + random() ** 3 * 4, light, 0.25 + random() * 0.6));
  const x = W * (0.22 + random() * 0.56);
  const y = 760 + random() * 420;
  const r = 150 + random() * 60;
  items.push(glow(x, y, 900, light, 0.35), fill(crescent(x, y, r), flat(light)));
  for (let i = 0; i < 3; i++) items.push(hill(random, 1960 + i * 190, 260 - i * 50, between(far, near, i / 2), 6));
  const pines = (y0: number, colour: Hex, tall: number): void => {
    for (let px = -40; px < W + 40; px += tall * (0.16 + random() * 0.2)) {
      const h = tall * (0.55 + random() * 0.6);
      const foot = y0 + random() * 60;
      items.push(
        fill(
          polygonPath([
            { x: px - h * 0.17, y: foot },
            { x: px, y: foot - h },
            { x: px + h * 0.17, y: foot },
          ]),
          flat(colour),
        ),
      );
    }
  };
  pines(2280, between(far, near, 0.7), 230);
  items.push(veil(2060, 2420, low, 0.18));
  pines(2480, near, 380);
  items.push(
    land(
      [
        { x: -60, y: 2440 },
        { x: W + 60, y: 2440 },
      ],
      near,
    ),
  );
  return items;
}

/** A moon of radius `r` from which a second circle, 0.92 as large and 0.385 away, is taken (law of cosines at where they meet). */
function crescent(x: number, y: number, r: number): Path {
  const [away, inner, way] = [0.385, 0.92, -0.49];
  const onOuter = Math.acos((away ** 2 + 1 - inner ** 2) / (2 * away));
  const onInner = Math.acos((1 - away ** 2 - inner ** 2) / (2 * away * inner));
  const arc = (cx: number, cy: number, radius: number, from: number, to: number): Point[] =>
    Array.from({ length: 49 }, (_, i) => {
      const a = way + from + ((to - from) * i) / 48;
      return { x: cx + radius * Math.cos(a), y: cy + radius * Math.sin(a) };
    });
  const turn = 2 * Math.PI;
  return polygonPath([
    ...arc(x, y, r, onOuter, turn - onOuter),
    ...arc(x + away * r * Math.cos(way), y + away * r * Math.sin(way), inner * r, turn - onInner, onInner),
  ]);
}

function meadow(random: Random, { high, low, far, near, light }: SceneryColours): InkItem[] {
  const items: InkItem[] = [sky([high, between(high, low, 0.6), low], [0, 0.42, 0.62])];
  items.push(glow(W * (0.2 + random() * 0.6), 1350, 1100, light, 0.55));
  for (let i = 0; i < 4; i++)
    items.push(
      hill(random, 1480 + i * 170, 170, between(far, near, i / 5), 6),
      veil(1400 + i * 170, 1700 + i * 170, low, 0.16),
    );
  items.push(hill(random, 2080, 90, between(far, near, 0.85), 6));
  // Grasses from the foot, thin at their ends, with heads of light.
  for (let i = 0; i < 190; i++) {
    const x = random() * (W + 200) - 100;
    const tall = 260 + random() ** 2 * 640;
    const lean = (random() - 0.35) * tall * 0.42;
    const [fx, fy] = [x, H + 30];
    const blade = new PathBuilder()
      .move(fx, fy)
      .cubic(fx, fy - tall * 0.5, fx + lean * 0.4, fy - tall * 0.8, fx + lean, fy - tall)
      .done();
    const colour = between(near, between(far, light, 0.5), random() ** 2);
    items.push(stroke(blade, 2.5 + random() * 5, flat(colour), { cap: 'round' }));
    if (random() < 0.3) items.push(dot(fx + lean, fy - tall, 8 + random() * 14, light, 0.55 + random() * 0.4));
  }
  items.push(veil(H - 460, H, near, 0.75));
  return items;
}

function discs(random: Random, { high, low, far, near, light }: SceneryColours): InkItem[] {
  const items: InkItem[] = [sky([high, between(high, low, 0.5)])];
  const colours = [low, far, near, light];
  for (let i = 0; i < 9; i++) {
    const r = 190 + random() * 430;
    // Places follow the golden angle about a point under the middle: spread out, and calm at the head.
    const angle = i * 2.39996 + random() * 0.5;
    const away = 140 + 105 * i;
    const [x, y] = [W / 2 + Math.cos(angle) * away * 0.8, 1640 + Math.sin(angle) * away * 0.75];
    items.push(dot(x, y, r, colours[i % 4], 0.72));
    if (i % 3 === 0) items.push(ring(x, y, r * 1.14, between(colours[(i + 1) % 4], light, 0.4)));
  }
  const wave: Point[] = [{ x: -100, y: H + 100 }];
  for (let i = 0; i <= 6; i++) wave.push({ x: -100 + i * 300, y: 2320 + 90 * Math.sin(i * 1.4 + random()) });
  wave.push({ x: W + 100, y: H + 100 });
  items.push(fill(smoothPath(wave), flat(near)));
  return items;
}

function ring(x: number, y: number, r: number, colour: Hex): InkItem {
  const b = new PathBuilder().move(x + r, y);
  const k = 0.5523 * r;
  b.cubic(x + r, y + k, x + k, y + r, x, y + r).cubic(x - k, y + r, x - r, y + k, x - r, y);
  b.cubic(x - r, y - k, x - k, y - r, x, y - r).cubic(x + k, y - r, x + r, y - k, x + r, y);
  return stroke(b.close().done(), 7, flat(colour, 0.8));
}
