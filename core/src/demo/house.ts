import type { House, Mark } from '../project';
import { DRAWING_HEIGHT } from '../vector';

const at = (n: number): string => String(Math.round(n));

/** A leaflet from one point to another, pointed at both ends. */
function leaflet(x0: number, y0: number, x1: number, y1: number, wide: number): string {
  const [dx, dy] = [x1 - x0, y1 - y0];
  const [nx, ny] = [-dy * wide, dx * wide];
  const p = (k: number, side: number): string => `${at(x0 + dx * k + nx * side)} ${at(y0 + dy * k + ny * side)}`;
  return `M${at(x0)} ${at(y0)}C${p(0.25, 1)} ${p(0.65, 0.9)} ${at(x1)} ${at(y1)}C${p(0.65, -0.9)} ${p(0.25, -1)} ${at(x0)} ${at(y0)}Z`;
}

/** The publisher's mark: a fern frond. */
function frond(): string {
  const middle = 330;
  const stem = (y: number): number => middle + 26 * Math.sin((y / DRAWING_HEIGHT) * 3);
  let d = '';
  for (let i = 0; i < 8; i++) {
    const y = 880 - i * 98;
    const reach = 300 * Math.sin(0.55 + ((i + 0.6) / 8.6) * 2.45);
    const x = stem(y);
    for (const side of [-1, 1]) d += leaflet(x + side * 10, y, x + side * reach, y - 70 - reach * 0.32, 0.15);
  }
  d += leaflet(stem(140), 150, stem(0) + 4, 0, 0.16);
  return `${d}M${at(stem(1000) - 13)} 1000L${at(stem(150) - 6)} 120L${at(stem(150) + 6)} 120L${at(stem(1000) + 13)} 1000Z`;
}

export const FERN: Mark['form'] = { kind: 'drawn', ratio: 0.66, paths: [{ d: frond(), colour: null }] };

/** The house style that the demo books share. */
export const demoHouse: House = {
  schema: 4,
  name: 'Fernhollow Press',
  website: 'fernhollow.example',
  colours: ['#16302b', '#efe7d6', '#a5452c', '#d9a441'],
  faces: [],
  marks: [{ id: 'fernhollow', name: 'Fernhollow frond', form: FERN }],
  styles: [],
};
