import { seeded } from '../base';
import { type Ink, type InkItem, fill, flat, stroke } from '../ink';
import { PathBuilder, ellipsePath, polygonPath, rectPath } from '../plane';
import { H, W, dot, glow, hill, sky, trunk, veil } from '../scenery';

/** Dusk over snow: bare trunks, one lit street lamp, footprints that end under it. */
export function snowfall(): Ink {
  const random = seeded(77);
  const items: InkItem[] = [sky(['#1b2646', '#3a4a78', '#7f89b4', '#d6b9b4', '#f0d8c4'], [0, 0.3, 0.56, 0.74, 0.84])];
  items.push(glow(1090, 1560, 900, '#ffcf8a', 0.42));
  items.push(hill(random, 1905, 60, '#9aa3c4'));
  for (let i = 0; i < 26; i++) {
    const x = random() * W;
    if (x > 700 && x < 1330) continue;
    items.push(trunk(random, x, 18 + random() * 20, 700 + random() * 350, 1960, '#68719c'));
  }
  items.push(veil(1350, 1960, '#f3d9c6', 0.35));
  items.push(hill(random, 1985, 50, '#c3c8de'));
  for (const [x, w] of [
    [118, 62],
    [330, 40],
    [1475, 74],
  ] as const)
    items.push(trunk(random, x, w, -80, 2130, '#232c4c'));
  items.push(hill(random, 2075, 46, '#e6e7f1'));
  items.push(glow(1090, 2150, 560, '#ffd9a0', 0.6, 'multiply'), glow(1090, 2140, 520, '#ffdca4', 0.55));
  items.push(...lamp(1090, 2180));
  for (let i = 0; i < 15; i++) {
    const t = i / 14;
    const x = 260 + 800 * t ** 0.9 + (i % 2 ? 16 : -16);
    const y = 2500 - 310 * t ** 0.8;
    const k = 1 - 0.62 * t;
    items.push(fill(ellipsePath(x, y, 25 * k, 10 * k), flat('#a9aecb', 0.85)));
  }
  items.push(veil(2200, H, '#5f6a97', 0.4));
  for (let i = 0; i < 420; i++) {
    const near = random() ** 3;
    items.push(dot(random() * W, random() * 2350, 1.6 + near * 9, '#ffffff', 0.5 + 0.35 * random() - near * 0.25));
  }
  items.push(veil(760, 0, '#0d1430', 0.45));
  return { widthPx: W, heightPx: H, items };
}

function lamp(x: number, foot: number): InkItem[] {
  const dark = flat('#161b31');
  const head = foot - 640;
  return [
    fill(
      polygonPath([
        { x: x - 9, y: head + 60 },
        { x: x + 9, y: head + 60 },
        { x: x + 15, y: foot },
        { x: x - 15, y: foot },
      ]),
      dark,
    ),
    fill(rectPath({ x: x - 34, y: foot - 26, width: 68, height: 34 }, 8), dark),
    stroke(
      new PathBuilder()
        .move(x - 62, head + 118)
        .line(x + 62, head + 118)
        .done(),
      9,
      dark,
    ),
    glow(x, head - 8, 330, '#ffe2a2', 0.95),
    fill(
      polygonPath([
        { x: x - 44, y: head - 62 },
        { x: x + 44, y: head - 62 },
        { x: x + 30, y: head + 62 },
        { x: x - 30, y: head + 62 },
      ]),
      flat('#fff3cf'),
    ),
    stroke(
      new PathBuilder()
        .move(x - 44, head - 62)
        .line(x - 30, head + 62)
        .line(x + 30, head + 62)
        .line(x + 44, head - 62)
        .close()
        .done(),
      7,
      dark,
    ),
    fill(
      polygonPath([
        { x: x - 58, y: head - 60 },
        { x: x + 58, y: head - 60 },
        { x: x + 16, y: head - 122 },
        { x: x - 16, y: head - 122 },
      ]),
      dark,
    ),
    fill(ellipsePath(x, head - 130, 9, 15), dark),
  ];
}
