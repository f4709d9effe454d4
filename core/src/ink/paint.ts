import { never } from '../base';
import { rgbOf } from '../colour';
import { type Affine, type Path, compose, eachOp, intersect, scale, translate, wholePixels } from '../plane';
import { inkBounds } from './bounds';
import type { Ink, InkItem, Paint, Stop } from './ink';
import type { Easel, Surface2D, SurfaceImage } from './surface';

/** Images by name. A name that is missing is drawn as nothing: `needs` has named it before. */
export type Images = ReadonlyMap<string, SurfaceImage>;

/** Draws a list on an easel, scaled so that the list's width fills the easel's width. */
export function paint(ink: Ink, easel: Easel, images: Images): void {
  const base = scale(easel.region.width / ink.widthPx);
  for (const item of ink.items) paintItem(item, easel, images, base);
}

/** `outer` maps the list to pixels of the whole surface; an easel over a region takes its own corner off. */
function paintItem(item: InkItem, easel: Easel, images: Images, outer: Affine): void {
  if (item.opacity <= 0) return;
  const { surface, region } = easel;
  const m = item.transform ? compose(outer, item.transform) : outer;
  surface.save();
  surface.globalAlpha = item.opacity;
  surface.globalCompositeOperation = operation(item.blend);
  surface.setTransform(...compose(translate(-region.x, -region.y), m));
  switch (item.kind) {
    case 'group':
      paintGroup(item, easel, images, outer, m);
      break;
    case 'image':
      drawImage(item, easel, images, Math.hypot(m[0], m[1]));
      break;
    case 'fill':
      surface.fillStyle = style(surface, item.paint);
      trace(surface, item.path);
      surface.fill();
      break;
    case 'stroke':
      surface.strokeStyle = style(surface, item.paint);
      surface.lineWidth = item.widthPx;
      surface.lineCap = item.cap;
      surface.lineJoin = item.join;
      surface.setLineDash([...item.dash]);
      trace(surface, item.path);
      surface.stroke();
      break;
    default:
      never(item);
  }
  surface.restore();
}

type GroupItem = Extract<InkItem, { kind: 'group' }>;

function paintGroup(item: GroupItem, easel: Easel, images: Images, outer: Affine, m: Affine): void {
  const sigma = item.blurPx * Math.hypot(m[0], m[1]);
  // What lies outside the surface still reaches into it when blurred.
  const room = {
    x: easel.region.x - 3 * sigma,
    y: easel.region.y - 3 * sigma,
    width: easel.region.width + 6 * sigma,
    height: easel.region.height + 6 * sigma,
  };
  // A wide blur leaves nothing that half or a quarter of the pixels would not show, and is made much faster there.
  const times = sigma >= 4 * LEAST_SIGMA ? 4 : sigma >= 2 * LEAST_SIGMA ? 2 : 1;
  const own = compose(scale(1 / times), m);
  const seen = intersect(inkBounds(item, outer), room);
  const region = wholePixels({
    x: seen.x / times,
    y: seen.y / times,
    width: seen.width / times,
    height: seen.height / times,
  });
  if (region.width <= 0 || region.height <= 0) return;
  const layer = easel.layer(region);
  for (const child of item.items) paintItem(child, layer, images, own);
  const cut = (by: readonly InkItem[], operation: string): void => {
    const mask = easel.layer(region);
    for (const child of by) paintItem(child, mask, images, own);
    layer.surface.globalCompositeOperation = operation;
    layer.drawLayer(mask, 1);
  };
  if (item.mask) cut(item.mask, 'destination-in');
  if (item.without) cut(item.without, 'destination-out');
  if (sigma <= 0.05) return easel.drawLayer(layer, times);
  if (times === 1) {
    easel.surface.filter = `blur(${sigma.toFixed(3)}px)`;
    return easel.drawLayer(layer, 1);
  }
  const soft = easel.layer(region);
  soft.surface.filter = `blur(${(sigma / times).toFixed(3)}px)`;
  soft.drawLayer(layer, 1);
  easel.drawLayer(soft, times);
}

/** Least standard deviation, px, at which a blurred layer may have fewer pixels. */
const LEAST_SIGMA = 4;

type ImageItem = Extract<InkItem, { kind: 'image' }>;

function drawImage(item: ImageItem, easel: Easel, images: Images, zoom: number): void {
  const found = images.get(item.image);
  if (!found) return;
  easel.surface.imageSmoothingEnabled = true;
  const { from, to } = item;
  const [w, h] = [found.widthPx, found.heightPx];
  const enlarged = to.width * zoom > from.width * w;
  // What is soft by nature shows no difference, and enlarging it finely takes four times as long.
  easel.surface.imageSmoothingQuality = item.soft && enlarged ? 'low' : 'high';
  easel.drawImage(found, [from.x * w, from.y * h, from.width * w, from.height * h], [to.x, to.y, to.width, to.height]);
}

const operation = (blend: string): string => (blend === 'normal' ? 'source-over' : blend);

function rgba(stop: { colour: string; opacity: number }): string {
  const [r, g, b] = rgbOf(stop.colour);
  return stop.opacity >= 1 ? stop.colour : `rgba(${r},${g},${b},${stop.opacity})`;
}

function style(surface: Surface2D, paintOf: Paint): unknown {
  const withStops = (gradient: { addColorStop(at: number, colour: string): void }, stops: readonly Stop[]): unknown => {
    for (const stop of stops) gradient.addColorStop(stop.at, rgba(stop));
    return gradient;
  };
  switch (paintOf.kind) {
    case 'flat':
      return rgba(paintOf);
    case 'linear':
      return withStops(
        surface.createLinearGradient(paintOf.from.x, paintOf.from.y, paintOf.to.x, paintOf.to.y),
        paintOf.stops,
      );
    case 'radial': {
      const { x, y } = paintOf.centre;
      return withStops(surface.createRadialGradient(x, y, 0, x, y, paintOf.radius), paintOf.stops);
    }
    default:
      return never(paintOf);
  }
}

function trace(surface: Surface2D, path: Path): void {
  const o = path.ops;
  surface.beginPath();
  eachOp(path, (code, i) => {
    if (code === 0) surface.moveTo(o[i], o[i + 1]);
    else if (code === 1) surface.lineTo(o[i], o[i + 1]);
    else if (code === 2) surface.quadraticCurveTo(o[i], o[i + 1], o[i + 2], o[i + 3]);
    else if (code === 3) surface.bezierCurveTo(o[i], o[i + 1], o[i + 2], o[i + 3], o[i + 4], o[i + 5]);
    else surface.closePath();
  });
}
