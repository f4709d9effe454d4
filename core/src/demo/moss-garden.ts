import { type Random, seeded } from '../base';
import { type Ink, type InkItem, fill, flat, stroke } from '../ink';
import { PathBuilder, ellipsePath, rectPath, smoothPath } from '../plane';
import { H, W, dot, glow, sky, veil } from '../scenery';

/** A balcony in rain: cushions of moss and wet stones in a low tray before a railing, pale mist behind. */
export function mossGarden(): Ink {
  const random = seeded(9);
  const items: InkItem[] = [sky(['#e9efe6', '#dfe9de', '#c2d5c3', '#9dbba3', '#7d9f88'], [0, 0.34, 0.56, 0.74, 1])];
  items.push(glow(430, 620, 900, '#fffdf0', 0.8));
  // Far trees in mist.
  for (let row = 0; row < 3; row++) {
    for (let i = 0; i < 9; i++) {
      const x = random() * W;
      const y = 1300 + row * 110 + random() * 90;
      const r = 120 + random() * 150;
      items.push(fill(crown(random, x, y, r), flat(['#c3d6c6', '#adc7b3', '#93b39d'][row], 0.75)));
    }
    items.push(veil(1150 + row * 90, 1650, '#e3ece1', 0.4));
  }
  // Railing.
  for (let i = 0; i < 17; i++)
    items.push(fill(rectPath({ x: 30 + i * 98, y: 1392, width: 15, height: 560 }), flat('#5d6f66')));
  items.push(fill(rectPath({ x: -10, y: 1362, width: W + 20, height: 44 }, 16), flat('#4b5c54')));
  items.push(fill(rectPath({ x: -10, y: 1362, width: W + 20, height: 12 }, 6), flat('#b7c9bd', 0.7)));
  items.push(veil(1350, 1900, '#b9cfbc', 0.4));
  // Cushions from back to front, each darker at its foot, lit from the upper left.
  const mounds: [x: number, y: number, r: number, deep: string, lit: string][] = [
    [240, 1950, 300, '#3e6b3f', '#86ad55'],
    [690, 1900, 250, '#356239', '#7aa552'],
    [1150, 1940, 330, '#3a683d', '#8db45a'],
    [1520, 1980, 260, '#305a37', '#739c50'],
    [430, 2120, 320, '#2f5a33', '#97bd5c'],
    [960, 2130, 360, '#2a5331', '#a5c963'],
    [1400, 2190, 330, '#275030', '#86ae55'],
    [120, 2260, 300, '#234a2c', '#7ea54f'],
    [650, 2330, 380, '#21472b', '#b0d06c'],
    [1180, 2370, 400, '#1d4127', '#93ba58'],
  ];
  mounds.forEach(([x, y, r, deep, lit], i) => {
    items.push(...mound(random, x, y, r, deep, lit));
    if (i === 3) items.push(...stone(820, 2075, 165, 96), ...stone(1335, 2085, 120, 74));
    if (i === 6) items.push(...stone(285, 2275, 190, 108));
    if (i === 8) items.push(...stone(945, 2420, 130, 74));
  });
  items.push(...fern(random, 1290, 2170), ...fern(random, 505, 2080));
  for (let i = 0; i < 120; i++) {
    const x = random() * (W + 200);
    const y = random() * 2300;
    const l = 40 + random() * 90;
    items.push(
      stroke(
        new PathBuilder()
          .move(x, y)
          .line(x - l * 0.12, y + l)
          .done(),
        1.6 + random() * 1.4,
        flat('#ffffff', 0.22 + random() * 0.25),
      ),
    );
  }
  items.push(veil(2240, H, '#0e2a1a', 0.6));
  return { widthPx: W, heightPx: H, items };
}

function crown(random: Random, x: number, y: number, r: number) {
  return smoothPath(
    Array.from({ length: 11 }, (_, i) => {
      const a = (i / 11) * 2 * Math.PI;
      const k = r * (0.8 + random() * 0.35);
      return { x: x + Math.cos(a) * k, y: y + Math.sin(a) * k * 0.85 };
    }),
  );
}

function mound(random: Random, x: number, y: number, r: number, deep: string, lit: string): InkItem[] {
  const outline = smoothPath([
    { x: x - r, y: y + r * 0.62 },
    { x: x - r * 0.93, y: y + r * 0.1 },
    { x: x - r * 0.5, y: y - r * (0.42 + random() * 0.08) },
    { x: x + r * 0.06, y: y - r * (0.56 + random() * 0.08) },
    { x: x + r * 0.6, y: y - r * (0.36 + random() * 0.08) },
    { x: x + r * 0.96, y: y + r * 0.16 },
    { x: x + r, y: y + r * 0.66 },
    { x, y: y + r * 0.95 },
  ]);
  const items: InkItem[] = [
    fill(outline, {
      kind: 'radial',
      centre: { x: x - r * 0.3, y: y - r * 0.4 },
      radius: r * 1.35,
      stops: [
        { at: 0, colour: lit, opacity: 1 },
        { at: 0.45, colour: mid(lit, deep), opacity: 1 },
        { at: 1, colour: deep, opacity: 1 },
      ],
    }),
  ];
  // Tufts: short strokes that follow the cushion, light above and dark below.
  for (let i = 0; i < 260; i++) {
    const a = random() * 2 * Math.PI;
    const k = Math.sqrt(random()) * 0.9;
    const px = x + Math.cos(a) * r * k;
    const py = y + r * 0.12 + Math.sin(a) * r * 0.58 * k;
    const up = (py - y) / r;
    const bright = up < -0.1 ? '#d9ec9a' : up < 0.2 ? '#8fb75a' : '#173a22';
    const l = 7 + random() * 11;
    items.push(
      stroke(
        new PathBuilder()
          .move(px, py)
          .line(px + (px - x) * 0.02 + (random() - 0.5) * 6, py - l)
          .done(),
        3,
        flat(bright, 0.3 + random() * 0.4),
      ),
    );
  }
  // Spore stalks against the light.
  for (let i = 0; i < 16; i++) {
    const t = random() * 1.5 - 0.75;
    const px = x + t * r;
    const py = y - r * 0.5 * Math.sqrt(1 - t * t * 0.9);
    const l = 34 + random() * 42;
    const lean = (random() - 0.5) * 16;
    items.push(
      stroke(
        new PathBuilder()
          .move(px, py + 14)
          .quad(px, py - l * 0.6, px + lean, py - l)
          .done(),
        2,
        flat('#b9803f', 0.85),
      ),
    );
    items.push(fill(ellipsePath(px + lean, py - l - 5, 4, 8), flat('#d79a4e')));
  }
  return items;
}

const mid = (a: string, b: string): string => {
  const part = (hex: string, i: number): number => parseInt(hex.slice(i, i + 2), 16);
  return `#${[1, 3, 5]
    .map((i) =>
      Math.round((part(a, i) + part(b, i)) / 2)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
};

function stone(x: number, y: number, rx: number, ry: number): InkItem[] {
  const body = smoothPath([
    { x: x - rx, y: y + ry * 0.3 },
    { x: x - rx * 0.72, y: y - ry * 0.62 },
    { x: x - rx * 0.05, y: y - ry },
    { x: x + rx * 0.7, y: y - ry * 0.66 },
    { x: x + rx, y: y + ry * 0.25 },
    { x: x + rx * 0.5, y: y + ry * 0.9 },
    { x: x - rx * 0.55, y: y + ry * 0.9 },
  ]);
  return [
    fill(ellipsePath(x + rx * 0.06, y + ry * 0.8, rx * 1.05, ry * 0.4), flat('#0d2516', 0.5)),
    fill(body, {
      kind: 'linear',
      from: { x: x - rx * 0.5, y: y - ry },
      to: { x: x + rx * 0.4, y: y + ry },
      stops: [
        { at: 0, colour: '#d5dbd6', opacity: 1 },
        { at: 0.35, colour: '#8f9b96', opacity: 1 },
        { at: 1, colour: '#3c4a46', opacity: 1 },
      ],
    }),
    fill(ellipsePath(x - rx * 0.3, y - ry * 0.55, rx * 0.34, ry * 0.13), flat('#ffffff', 0.5)),
    dot(x + rx * 0.3, y - ry * 0.3, 5, '#ffffff', 0.7),
  ];
}

function fern(random: Random, x: number, y: number): InkItem[] {
  const items: InkItem[] = [];
  for (let f = 0; f < 6; f++) {
    const lean = (f - 2.5) * 0.32 + (random() - 0.5) * 0.15;
    const length = 250 + random() * 90;
    let px = x;
    let py = y;
    for (let i = 0; i < 16; i++) {
      const t = i / 16;
      const a = -Math.PI / 2 + lean * (1 + t * 1.6);
      const nx = px + (Math.cos(a) * length) / 16;
      const ny = py + (Math.sin(a) * length) / 16;
      const leaf = 44 * (1 - t) * (t < 0.1 ? 0.4 : 1);
      const colour = f % 2 ? '#4f8a45' : '#76ab55';
      for (const side of [-1, 1]) {
        const b = a + side * 1.05;
        items.push(
          stroke(
            new PathBuilder()
              .move(px, py)
              .quad(
                px + Math.cos(b) * leaf * 0.6,
                py + Math.sin(b) * leaf * 0.6,
                px + Math.cos(b) * leaf,
                py + Math.sin(b) * leaf + 6,
              )
              .done(),
            7 * (1 - t) + 2,
            flat(colour),
          ),
        );
      }
      items.push(stroke(new PathBuilder().move(px, py).line(nx, ny).done(), 4, flat('#3a6a36')));
      px = nx;
      py = ny;
    }
  }
  return items;
}
