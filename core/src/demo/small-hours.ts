import { seeded } from '../base';
import { type Ink, type InkItem, fill, flat, stroke } from '../ink';
import { PathBuilder, ellipsePath, polygonPath, rectPath } from '../plane';
import { H, W, dot, glow, sky, veil } from '../scenery';

/** A street of tall roofs deep in the night; a single window is lit, and a moon in its last quarter hangs over it. */
export function smallHours(): Ink {
  const random = seeded(312);
  const items: InkItem[] = [sky(['#140f2c', '#2a1d4e', '#583064', '#9a4a5c', '#d68a58'], [0, 0.34, 0.58, 0.76, 0.9])];
  for (let i = 0; i < 150; i++)
    items.push(dot(random() * W, random() ** 1.5 * 1300, 1 + random() * 2.4, '#fff4dc', 0.2 + random() * 0.55));
  items.push(glow(1372, 1380, 420, '#ffe3b0', 0.42));
  items.push(dot(1372, 1380, 84, '#fbeccb'), dot(1342, 1364, 79, '#4a2b58'));
  const rows: [y: number, colour: string, n: number][] = [
    [1640, '#6b3a62', 9],
    [1800, '#46284f', 7],
    [1985, '#291a3b', 5],
  ];
  for (const [y, colour, n] of rows) {
    for (let i = 0; i < n; i++)
      items.push(...house(random, (W * i) / n - 20, W / n + 44, y + (random() - 0.5) * 170, colour));
    items.push(veil(y - 100, y + 420, '#e79a66', 0.16));
  }
  items.push(
    ...house(random, -30, 560, 1900, '#150e24'),
    ...house(random, 1120, 560, 1780, '#150e24'),
    ...house(random, 474, 660, 2100, '#1a112b'),
  );
  items.push(...litWindow(800, 2210));
  items.push(veil(2120, H, '#0a0716', 0.8));
  items.push(veil(700, 0, '#0b0820', 0.5));
  return { widthPx: W, heightPx: H, items };
}

function house(random: () => number, x: number, width: number, roof: number, colour: string): InkItem[] {
  const rise = width * (0.42 + random() * 0.2);
  const peak = x + width * (0.4 + random() * 0.2);
  const body = polygonPath([
    { x, y: H + 10 },
    { x, y: roof },
    { x: peak, y: roof - rise },
    { x: x + width, y: roof },
    { x: x + width, y: H + 10 },
  ]);
  const chimney = rectPath({ x: peak + width * 0.16, y: roof - rise * 1.02, width: width * 0.09, height: rise });
  return [fill(chimney, flat(colour)), fill(body, flat(colour))];
}

function litWindow(x: number, y: number): InkItem[] {
  const pane = rectPath({ x: x - 52, y: y - 88, width: 104, height: 176 }, 10);
  const bars = new PathBuilder()
    .move(x, y - 88)
    .line(x, y + 88)
    .move(x - 52, y - 18)
    .line(x + 52, y - 18)
    .done();
  const sitter = new PathBuilder()
    .move(x - 44, y + 88)
    .cubic(x - 40, y + 30, x - 18, y + 22, x - 8, y + 20)
    .cubic(x + 12, y + 24, x + 22, y + 50, x + 30, y + 88)
    .close()
    .done();
  return [
    glow(x, y, 430, '#ffb45e', 0.75),
    fill(pane, flat('#ffd98c')),
    glow(x, y - 10, 120, '#fff6d8', 0.8),
    fill(sitter, flat('#4a2430')),
    fill(ellipsePath(x - 6, y + 2, 17, 20), flat('#4a2430')),
    stroke(bars, 7, flat('#1a112b')),
    fill(rectPath({ x: x - 66, y: y + 88, width: 132, height: 14 }), flat('#2b1a38')),
  ];
}
