import { type Random, seeded } from '@yosomi/core/base';
import { type Hex, hexOf } from '@yosomi/core/colour';
import { type InkItem, fill, flat, stroke } from '@yosomi/core/ink';
import { type Raster, raster } from '@yosomi/core/pixels';
import { PathBuilder, ellipsePath, rectPath } from '@yosomi/core/plane';
import { plainManner } from '@yosomi/core/text';
import { NodeStudio, paintRaster } from '@yosomi/node-kit';
import { FROM } from './general-tools';

const SMALL = 'Evening came over the salt flats while nine quiet boats were jumping in the zigzag of the waves, ';

/** A back of a book at its hardest: 26 lines of type of 12 to 24 px, hairlines, rays of one pixel, and grain. */
export async function denseCover(): Promise<Raster> {
  const { width, height } = FROM;
  const studio = new NodeStudio(new Map());
  const random = seeded(11);
  await studio.loadFonts(['noto-serif/400']);
  const items: InkItem[] = [
    fill(rectPath({ x: 0, y: 0, width, height }), {
      kind: 'linear',
      from: { x: 0, y: 0 },
      to: { x: width, y: height },
      stops: [
        { at: 0, colour: '#12305e', opacity: 1 },
        { at: 0.45, colour: '#b5462f', opacity: 1 },
        { at: 1, colour: '#f0d9a0', opacity: 1 },
      ],
    }),
  ];
  for (let i = 0; i < 60; i++) {
    const colour = hexOf([random() * 255, random() * 255, random() * 255]);
    items.push(fill(ellipsePath(random() * width, random() * height, 50 + random() * 300), flat(colour, 0.15)));
  }
  const type = (text: string, sizePx: number, x: number, y: number, colour: Hex): void => {
    const { path } = studio.shaper.shape('noto-serif/400', text, plainManner);
    items.push(fill(path, flat(colour), { transform: [sizePx, 0, 0, sizePx, x, y] }));
  };
  const line = (x0: number, y0: number, x1: number, y1: number, widthPx: number): void => {
    items.push(stroke(new PathBuilder().move(x0, y0).line(x1, y1).done(), widthPx, flat('#ffffff')));
  };
  type('THE TIDAL', 190, 240, 420, '#ffffff');
  type('LEDGER', 190, 420, 640, '#ffffff');
  for (let i = 0; i < 60; i++) line(150, 900 + i * 7, width - 150, 900 + i * 7, 1 + (i % 3));
  for (let i = 0; i < 90; i++) {
    const a = (i / 90) * Math.PI * 2;
    line(width / 2, 1560, width / 2 + Math.cos(a) * 220, 1560 + Math.sin(a) * 220, 1);
  }
  for (let i = 0; i < 26; i++) {
    const size = 12 + (i % 4) * 4;
    const text = (SMALL + SMALL).slice(i % 17, (i % 17) + Math.floor(1300 / (size * 0.55)));
    type(text, size, 150, 1830 + i * 24, i % 2 ? '#111111' : '#ffffff');
  }
  const art = paintRaster({ widthPx: width, heightPx: height, items }, width, new Map());
  for (let i = 0; i < art.data.length; i += 4) {
    const grain = (random() - 0.5) * 24;
    for (let c = 0; c < 3; c++) art.data[i + c] += grain;
  }
  return art;
}

/** Strength of noise by octave, cells of 1 px first: the detail that an ordinary photograph was measured to have at each size. */
const OCTAVES = [9, 23, 19, 18, 20, 22, 26, 18, 22, 20];

/** A picture with the detail of a photograph: sums of noise. */
export function photograph(): Raster {
  const { width, height } = FROM;
  const random = seeded(12);
  const light = new Float32Array(width * height * 3).fill(118);
  OCTAVES.forEach((strength, i) => addNoise(light, 2 ** i, strength, random));
  const out = raster(width, height);
  for (let i = 0; i < width * height; i++) {
    for (let c = 0; c < 3; c++) out.data[i * 4 + c] = light[i * 3 + c];
    out.data[i * 4 + 3] = 255;
  }
  return out;
}

/** Adds noise that is smooth over `cell` px; its colours differ a little, as things in one light do. */
function addNoise(light: Float32Array, cell: number, strength: number, random: Random): void {
  const { width, height } = FROM;
  const columns = Math.ceil(width / cell) + 2;
  const nodes = Float32Array.from({ length: columns * (Math.ceil(height / cell) + 2) * 3 }, () => 0);
  for (let i = 0; i < nodes.length; i += 3) {
    const grey = (random() + random() + random() - 1.5) * 2;
    for (let c = 0; c < 3; c++) nodes[i + c] = strength * (grey + (random() - 0.5) * 0.6);
  }
  for (let y = 0; y < height; y++) {
    const [j, v] = [Math.floor(y / cell), (y % cell) / cell];
    for (let x = 0; x < width; x++) {
      const [i, u] = [Math.floor(x / cell), (x % cell) / cell];
      const p = (j * columns + i) * 3;
      for (let c = 0; c < 3; c++) {
        const above = nodes[p + c] + (nodes[p + 3 + c] - nodes[p + c]) * u;
        const q = p + columns * 3 + c;
        light[(y * width + x) * 3 + c] += above + (nodes[q] + (nodes[q + 3] - nodes[q]) * u - above) * v;
      }
    }
  }
}
