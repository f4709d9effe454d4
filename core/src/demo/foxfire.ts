import { seeded } from '../base';
import { type Ink, type InkItem, fill, flat, stroke } from '../ink';
import { PathBuilder, ellipsePath, polygonPath } from '../plane';
import { H, W, dot, glow, hill, sky, trunk, veil } from '../scenery';

/** A forest at night with a light between the trunks and glowing mushrooms; a small figure holds out a lamp. */
export function foxfire(): Ink {
  const random = seeded(41);
  const items: InkItem[] = [sky(['#06141a', '#0a2a2e', '#17504a', '#2c7a5c', '#1a4a3c'], [0, 0.3, 0.6, 0.82, 1])];
  items.push(glow(W / 2, 1960, 1150, '#8fd06a', 0.5), glow(W / 2, 2060, 620, '#e6f59a', 0.75));
  const rows: [count: number, width: number, colour: string, y: number][] = [
    [16, 46, '#1f6156', 2280],
    [13, 66, '#15494a', 2290],
    [10, 92, '#0e3539', 2300],
    [8, 128, '#08242a', 2330],
  ];
  rows.forEach(([count, width, colour, foot], depth) => {
    for (let i = 0; i < count; i++) {
      const x = (W * (i + 0.2 + random() * 0.6)) / count;
      // The clearing stays open.
      const clear = Math.abs(x - W / 2) < 130 + depth * 75;
      if (clear) continue;
      items.push(trunk(random, x, width * (0.7 + random() * 0.6), -60, foot + random() * 60, colour));
    }
    items.push(veil(1000, 2250, '#9fe07c', 0.075, 'screen'));
  });
  items.push(glow(W / 2, 2120, 420, '#f4ffc0', 0.6));
  items.push(hill(random, 2205, 60, '#0a2a27'));
  items.push(hill(random, 2310, 70, '#051a1c'));
  items.push(...figure(805, 2236));
  for (let i = 0; i < 40; i++) {
    const x = random() * W;
    const near = random();
    const y = 2246 + near * 84 + Math.abs(x - W / 2) * 0.02;
    items.push(...mushroom(x, y, 9 + near * 17));
  }
  for (let i = 0; i < 60; i++) {
    const a = random();
    items.push(dot(W * (0.2 + random() * 0.6), 1250 + random() * 900, 1.5 + a * 2.5, '#eaffb4', 0.25 + a * 0.45));
  }
  items.push(veil(2300, H, '#02090b', 0.85));
  items.push(veil(620, 0, '#030c11', 0.6));
  return { widthPx: W, heightPx: H, items };
}

function mushroom(x: number, y: number, r: number): InkItem[] {
  const cap = new PathBuilder()
    .move(x - r, y)
    .cubic(x - r, y - r * 1.25, x + r, y - r * 1.25, x + r, y)
    .quad(x, y + r * 0.28, x - r, y)
    .close()
    .done();
  return [
    glow(x, y, r * 4.2, '#b9ea72', 0.5),
    stroke(
      new PathBuilder()
        .move(x, y)
        .line(x + r * 0.06, y + r * 1.15)
        .done(),
      r * 0.34,
      flat('#dcf2a6', 0.9),
    ),
    fill(cap, flat('#f0ffc2')),
  ];
}

function figure(x: number, y: number): InkItem[] {
  const coat = polygonPath([
    { x: x - 16, y: y - 118 },
    { x: x + 16, y: y - 118 },
    { x: x + 25, y: y - 60 },
    { x: x + 31, y: y + 6 },
    { x: x - 29, y: y + 6 },
    { x: x - 22, y: y - 60 },
  ]);
  const arm = new PathBuilder()
    .move(x + 12, y - 104)
    .line(x + 40, y - 74)
    .line(x + 62, y - 70)
    .done();
  return [
    glow(x + 66, y - 52, 150, '#fff0b0', 0.7),
    fill(coat, flat('#04100f')),
    fill(ellipsePath(x, y - 138, 17, 20), flat('#04100f')),
    stroke(arm, 11, flat('#04100f')),
    fill(ellipsePath(x + 66, y - 52, 9, 12), flat('#fff6cf')),
  ];
}
