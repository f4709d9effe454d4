import { never } from '../base';
import type { Hex } from '../colour';
import type { Fill, GradientStop, Shadow } from '../cover';
import { leafPath } from '../forms';
import { type InkItem, type Paint, type Stop, fill, flat, group, image, stroke } from '../ink';
import {
  type Path,
  type Rect,
  PathBuilder,
  cropToFill,
  ellipsePath,
  joinPaths,
  polygonPath,
  rectPath,
  rotateAbout,
  translate,
} from '../plane';
import type { Laid, Resources, Size } from './types';

/** Several items as one: blended, faded and turned together. */
export function laid(items: readonly InkItem[], more: Partial<Laid>): InkItem[] {
  if (items.length === 0) return [];
  const plain = (more.opacity ?? 1) >= 1 && (more.blend ?? 'normal') === 'normal';
  if (plain) {
    // Nothing has to be mixed as one: the items themselves can lie there.
    return items.map((one) =>
      more.transform && one.transform
        ? group([one], { transform: more.transform, part: more.part })
        : { ...one, part: more.part ?? one.part, transform: more.transform ?? one.transform },
    );
  }
  const [only] = items;
  if (items.length === 1 && only.blend === 'normal' && only.opacity === 1 && only.transform === null)
    return [{ ...only, ...more }];
  return [group(items, more)];
}

const stopsOf = (stops: readonly GradientStop[]): Stop[] =>
  [...stops].sort((a, b) => a.at - b.at).map(({ at, colour }) => ({ at, colour, opacity: 1 }));

/** The paint of a fill over a box; null for those that are more than one paint. */
function paintOf(of: Fill, box: Rect): Paint | null {
  const { x, y, width: w, height: h } = box;
  switch (of.kind) {
    case 'flat':
      return flat(of.colour);
    case 'linear': {
      // The gradient line reaches the corners, as the CSS images standard has it.
      const c = Math.cos(of.angleRad);
      const s = Math.sin(of.angleRad);
      const half = (Math.abs(w * c) + Math.abs(h * s)) / 2;
      return {
        kind: 'linear',
        from: { x: x + w / 2 - c * half, y: y + h / 2 - s * half },
        to: { x: x + w / 2 + c * half, y: y + h / 2 + s * half },
        stops: stopsOf(of.stops),
      };
    }
    case 'radial':
      return {
        kind: 'radial',
        centre: { x: x + w * of.centre.x, y: y + h * of.centre.y },
        radius: Math.max(1, (of.reach * Math.hypot(w, h)) / 2),
        stops: stopsOf(of.stops),
      };
    case 'picture':
    case 'pattern':
      return null;
    default:
      return never(of);
  }
}

/** A path covered by a fill, or by a colour where there is none. `box` is what gradients and pictures are laid over. */
export function filled(
  path: Path,
  box: Rect,
  of: Fill | null,
  colour: Hex,
  doc: Size,
  resources: Resources,
): InkItem[] {
  if (!of) return [fill(path, flat(colour))];
  const paint = paintOf(of, box);
  if (paint) return [fill(path, paint)];
  const mask = [fill(path, flat('#000000'))];
  if (of.kind === 'picture') {
    const size = resources.images.get(of.asset);
    if (!size) return [fill(path, flat(colour))];
    return [group([image(of.asset, cropShare(size, box, of.focus, of.zoom), box)], { mask })];
  }
  if (of.kind === 'pattern') return [group(patternItems(of, box, doc), { mask })];
  return [];
}

/** The part of a picture that fills a frame, as fractions of the picture. */
export function cropShare(size: Size, frame: Rect, focus: { x: number; y: number }, zoom: number): Rect {
  const from = cropToFill(size, frame, focus, zoom);
  return {
    x: from.x / size.widthPx,
    y: from.y / size.heightPx,
    width: from.width / size.widthPx,
    height: from.height / size.heightPx,
  };
}

type Pattern = Extract<Fill, { kind: 'pattern' }>;

function patternItems(of: Pattern, box: Rect, doc: Size): InkItem[] {
  const reach = Math.hypot(box.width, box.height) / 2;
  // A box never holds more than about 110 x 110 motifs.
  const size = Math.max(of.size * doc.widthPx, (reach * 2) / 110);
  const cx = box.x + box.width / 2;
  const cy = box.y + box.height / 2;
  const count = Math.ceil(reach / size) + 1;
  const paths: Path[] = [];
  const lines: Path[] = [];
  for (let row = -count; row <= count; row++) {
    const y = cy + row * size;
    if (of.motif === 'stripes') paths.push(rectPath({ x: cx - reach, y, width: reach * 2, height: size / 2 }));
    else if (of.motif === 'waves') lines.push(wave(cx - reach - size, y, reach * 2 + 2 * size, size));
    else
      for (let col = -count; col <= count; col++)
        paths.push(motif(of.motif, cx + col * size + (row % 2 === 0 ? 0 : size / 2), y, size, row + col));
  }
  const turn = of.angleRad === 0 ? null : rotateAbout(of.angleRad, cx, cy);
  const inner = [
    ...(paths.length > 0 ? [fill(joinPaths(paths), flat(of.colour), { transform: turn })] : []),
    ...lines.map((line) => stroke(line, size * 0.16, flat(of.colour), { transform: turn })),
  ];
  return [fill(rectPath(box), flat(of.back)), ...inner];
}

function wave(x: number, y: number, length: number, size: number): Path {
  const b = new PathBuilder().move(x, y);
  const half = size / 2;
  for (let at = 0, up = true; at < length; at += half, up = !up)
    b.quad(x + at + half / 2, y + (up ? -half * 0.8 : half * 0.8), x + at + half, y);
  return b.done();
}

function motif(kind: Exclude<Pattern['motif'], 'stripes' | 'waves'>, x: number, y: number, s: number, n: number): Path {
  switch (kind) {
    case 'dots':
      return ellipsePath(x, y, s * 0.2);
    case 'checks':
      return rectPath({ x: x - s / 4, y: y - s / 2, width: s / 2, height: s });
    case 'diamonds':
      return polygonPath([
        { x, y: y - s * 0.42 },
        { x: x + s * 0.26, y },
        { x, y: y + s * 0.42 },
        { x: x - s * 0.26, y },
      ]);
    case 'leaves': {
      const lean = n % 2 === 0 ? -0.9 : -2.2;
      return joinPaths([
        leafPath(x, y + s * 0.2, s * 0.6, s * 0.16, lean),
        leafPath(x, y + s * 0.2, s * 0.42, s * 0.12, lean + (n % 2 === 0 ? 0.8 : -0.8)),
      ]);
    }
    default:
      return never(kind);
  }
}

/** A soft copy of a silhouette: lengths of the shadow are fractions of the cover's width. */
export function shadowOf(silhouette: readonly InkItem[], shadow: Shadow, doc: Size): InkItem[] {
  if (shadow.opacity <= 0 || silhouette.length === 0) return [];
  const w = doc.widthPx;
  return [
    group(silhouette, {
      blurPx: shadow.blur * w,
      opacity: shadow.opacity,
      transform: translate(shadow.dx * w, shadow.dy * w),
    }),
  ];
}
