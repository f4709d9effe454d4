import { never } from '../base';
import { rgbOf } from '../colour';
import { type Affine, type Path, compose, eachOp, scale } from '../plane';
import type { Ink, InkItem, Paint, Stop } from './ink';
import type { Easel, Surface2D, SurfaceImage } from './surface';

/** Images by name. A name that is missing is drawn as nothing: `needs` has named it before. */
export type Images = ReadonlyMap<string, SurfaceImage>;

/** Draws a list on an easel, scaled so that the list's width fills the easel's width. */
export function paint(ink: Ink, easel: Easel, images: Images): void {
  const base = scale(easel.widthPx / ink.widthPx);
  for (const item of ink.items) paintItem(item, easel, images, base);
}

function paintItem(item: InkItem, easel: Easel, images: Images, outer: Affine): void {
  if (item.opacity <= 0) return;
  const { surface } = easel;
  const m = item.transform ? compose(outer, item.transform) : outer;
  surface.save();
  surface.globalAlpha = item.opacity;
  surface.globalCompositeOperation = operation(item.blend);
  switch (item.kind) {
    case 'group':
      easel.drawLayer(layered(easel, (layer) => item.items.forEach((child) => paintItem(child, layer, images, m))));
      break;
    case 'image':
      if (item.clip) easel.drawLayer(layered(easel, (layer) => paintMasked(item, layer, images, m)));
      else {
        surface.setTransform(...m);
        drawImage(item, easel, images);
      }
      break;
    case 'fill':
      surface.setTransform(...m);
      surface.fillStyle = style(surface, item.paint);
      trace(surface, item.path);
      surface.fill();
      break;
    case 'stroke':
      surface.setTransform(...m);
      surface.strokeStyle = style(surface, item.paint);
      surface.lineWidth = item.widthPx;
      surface.lineCap = 'round';
      surface.lineJoin = 'round';
      trace(surface, item.path);
      surface.stroke();
      break;
    default:
      never(item);
  }
  surface.restore();
}

function layered(easel: Easel, draw: (layer: Easel) => void): Easel {
  const layer = easel.layer();
  draw(layer);
  return layer;
}

type ImageItem = Extract<InkItem, { kind: 'image' }>;

function drawImage(item: ImageItem, easel: Easel, images: Images): void {
  const found = images.get(item.image);
  if (!found) return;
  easel.surface.imageSmoothingEnabled = true;
  easel.surface.imageSmoothingQuality = 'high';
  const { from, to } = item;
  easel.drawImage(found, [from.x, from.y, from.width, from.height], [to.x, to.y, to.width, to.height]);
}

/** The shape first, then the picture only where the shape is: an antialiased edge on every platform. */
function paintMasked(item: ImageItem, layer: Easel, images: Images, m: Affine): void {
  if (!item.clip) return;
  layer.surface.setTransform(...m);
  layer.surface.fillStyle = '#000000';
  trace(layer.surface, item.clip);
  layer.surface.fill();
  layer.surface.globalCompositeOperation = 'source-in';
  drawImage(item, layer, images);
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
