import { burstIn, ellipseIn, leafPath, polygonIn } from '../forms';
import { type Path, PathBuilder, type Point, polygonPath, rectPath, rotateAbout, scale, transformPath } from '../plane';
import { type Region, areaOf, both, grown, regionOf as areaOfPath, together, without } from './region';

export const SYMBOLS = [
  'book',
  'nib',
  'moon',
  'star',
  'sun',
  'leaf',
  'wave',
  'hill',
  'lantern',
  'key',
  'house',
  'flame',
  'eye',
  'shell',
] as const;
export type SymbolName = (typeof SYMBOLS)[number];

/** Drawn on 100 by 100, kept on 1000 by 1000, so that the grid of regions is not seen. */
const regionOf = (path: Path): Region => areaOfPath(transformPath(path, scale(10)));
const disc = (x: number, y: number, r: number): Path => ellipseIn({ x: x - r, y: y - r, width: 2 * r, height: 2 * r });
const bar = (x: number, y: number, width: number, height: number): Path => rectPath({ x, y, width, height });
const turned = (path: Path, rad: number): Path => transformPath(path, rotateAbout(rad, 50, 50));
const poly = (...at: readonly (readonly [number, number])[]): Path =>
  polygonPath(at.map(([x, y]): Point => ({ x, y })));

/** Two pages seen from the front, their upper edges swung; `y` is where the fold begins. */
function pages(): Region {
  const page = new PathBuilder()
    .move(50, 28)
    .cubic(40, 16, 20, 14, 2, 20)
    .line(2, 80)
    .cubic(20, 74, 40, 76, 50, 88)
    .close()
    .done();
  const other = transformPath(page, [-1, 0, 0, 1, 100, 0]);
  return without(together(regionOf(page), regionOf(other)), regionOf(bar(48.2, 0, 3.6, 100)));
}

function flame(): Region {
  const outer = new PathBuilder()
    .move(50, 0)
    .cubic(56, 24, 84, 40, 84, 66)
    .cubic(84, 86, 69, 100, 50, 100)
    .cubic(31, 100, 16, 86, 16, 66)
    .cubic(16, 50, 26, 42, 32, 28)
    .cubic(36, 38, 40, 42, 44, 44)
    .cubic(50, 32, 52, 14, 50, 0)
    .close()
    .done();
  const inner = new PathBuilder()
    .move(52, 52)
    .cubic(54, 62, 66, 68, 66, 80)
    .cubic(66, 92, 59, 100, 50, 100)
    .cubic(41, 100, 34, 92, 34, 81)
    .cubic(34, 70, 48, 66, 52, 52)
    .close()
    .done();
  return without(regionOf(outer), regionOf(inner));
}

const DRAWN: Readonly<Record<SymbolName, () => Region>> = {
  book: pages,
  nib: () => {
    const nib = new PathBuilder()
      .move(50, 100)
      .cubic(40, 78, 24, 62, 22, 44)
      .line(34, 14)
      .line(66, 14)
      .line(78, 44)
      .cubic(76, 62, 60, 78, 50, 100)
      .close()
      .done();
    return together(
      without(without(regionOf(nib), regionOf(disc(50, 46, 7))), regionOf(bar(48.6, 46, 2.8, 54))),
      regionOf(bar(32, 0, 36, 9)),
    );
  },
  moon: () => without(regionOf(disc(50, 50, 48)), regionOf(disc(70, 42, 40))),
  star: () => regionOf(burstIn({ x: 0, y: 0, width: 100, height: 100 }, 4, 0.68)),
  sun: () =>
    together(
      regionOf(disc(50, 50, 22)),
      ...Array.from({ length: 12 }, (_, i) =>
        regionOf(turned(poly([50, 0], [54.5, 22], [45.5, 22]), (i * Math.PI) / 6)),
      ),
    ),
  leaf: () =>
    together(
      regionOf(bar(48.8, 14, 2.4, 86)),
      ...[22, 42, 62].flatMap((y, i) => [
        regionOf(leafPath(50, y + 16, 30 + i * 3, 13 + i, -0.62)),
        regionOf(leafPath(50, y + 16, 30 + i * 3, 13 + i, Math.PI + 0.62)),
      ]),
      regionOf(leafPath(50, 28, 28, 13, -Math.PI / 2)),
    ),
  wave: () => {
    const crest = (y: number): Path => {
      const b = new PathBuilder().move(0, y);
      for (let i = 0; i < 3; i++) b.cubic(i * 33.4 + 8, y - 15, i * 33.4 + 20, y + 9, (i + 1) * 33.4, y);
      b.line(100.2, y + 7);
      for (let i = 2; i >= 0; i--) b.cubic(i * 33.4 + 20, y + 16, i * 33.4 + 8, y - 8, i * 33.4, y + 7);
      return b.close().done();
    };
    return together(regionOf(crest(30)), regionOf(crest(50)), regionOf(crest(70)));
  },
  hill: () => {
    const high = regionOf(poly([0, 88], [38, 14], [76, 88]));
    const low = regionOf(poly([44, 88], [72, 40], [100, 88]));
    const snow = regionOf(poly([38, 14], [50.5, 39], [43, 36], [38, 44], [33, 36], [25.5, 39]));
    return together(without(without(high, grown(low, 30)), snow), low);
  },
  lantern: () =>
    without(
      together(
        regionOf(poly([22, 36], [30, 22], [70, 22], [78, 36])),
        regionOf(bar(26, 40, 48, 44)),
        regionOf(bar(20, 88, 60, 10)),
        without(regionOf(disc(50, 16, 16)), together(regionOf(disc(50, 16, 11)), regionOf(bar(20, 22, 60, 20)))),
      ),
      regionOf(leafPath(50, 80, 34, 19, -Math.PI / 2)),
    ),
  key: () =>
    together(
      without(regionOf(disc(50, 20, 20)), regionOf(disc(50, 20, 11))),
      regionOf(bar(46.5, 38, 7, 62)),
      regionOf(bar(53, 74, 16, 7)),
      regionOf(bar(53, 88, 21, 7)),
    ),
  house: () =>
    without(
      together(
        regionOf(poly([0, 50], [50, 6], [100, 50], [90, 58], [50, 22], [10, 58])),
        regionOf(poly([16, 60], [50, 30], [84, 60], [84, 96], [16, 96])),
      ),
      regionOf(bar(41, 64, 18, 32)),
    ),
  flame,
  eye: () => {
    const lid = both(regionOf(disc(50, 86, 62)), regionOf(disc(50, 14, 62)));
    return together(without(lid, grown(lid, -60)), without(regionOf(disc(50, 50, 17)), regionOf(disc(56, 44, 5))));
  },
  shell: () => {
    const ribs = Array.from({ length: 6 }, (_, i) => {
      const rad = ((i - 2.5) / 2.5) * 0.98;
      return regionOf(
        poly(
          [50, 96],
          [50 + Math.sin(rad - 0.03) * 96, 96 - Math.cos(rad - 0.03) * 96],
          [50 + Math.sin(rad + 0.03) * 96, 96 - Math.cos(rad + 0.03) * 96],
        ),
      );
    });
    const fan = both(
      together(
        ...Array.from({ length: 7 }, (_, i) =>
          regionOf(disc(50 + Math.sin((i - 3) * 0.39) * 70, 88 - Math.cos((i - 3) * 0.39) * 70, 16)),
        ),
        regionOf(polygonIn({ x: 8, y: 16, width: 84, height: 90 }, 40)),
      ),
      regionOf(poly([50, 100], [-30, 20], [-30, -20], [130, -20], [130, 20])),
    );
    return together(without(fan, together(...ribs)), regionOf(bar(36, 92, 28, 8)));
  },
};

const kept = new Map<SymbolName, Region>();

/** A small drawing about 1000 by 1000, y down; made once. */
export function symbolRegion(name: SymbolName): Region {
  const known = kept.get(name);
  if (known) return known;
  // Where outlines nearly touch, cutting leaves crumbs.
  const made = DRAWN[name]().filter((ring) => areaOf([ring]) > 500);
  kept.set(name, made);
  return made;
}
