import { type Edit, fault } from '../../base';
import { type Point, apply, centreOf, clamp, rotateAbout } from '../../plane';
import type { Doc } from '../document';
import { type Part, Part as PartSchema, type Shadow } from '../parts';
import { type Frames, boundTo, mapNodes, movable, setFree, shift } from './arrange';

/** A length of a part that grows with it, and how small and large it can be. */
type Length = { readonly get: number; set(value: number): void; readonly least: number; readonly most: number };

/** All lengths that a part takes along when it is scaled; what is measured in em or in shares of its frame follows by itself. */
function lengthsOf(part: Part): Length[] {
  const lengths: Length[] = [];
  const add = <K extends string>(of: Record<K, number>, name: K, least: number, most: number): void =>
    void lengths.push({ get: of[name], set: (value) => (of[name] = value), least, most });
  const shadow = (of: Shadow | null): void => {
    if (!of) return;
    for (const name of ['dx', 'dy'] as const) add(of, name, -0.5, 0.5);
    add(of, 'blur', 0, 0.2);
  };
  if ('area' in part) for (const name of ['width', 'height'] as const) add(part.area, name, 0.002, 8);
  switch (part.kind) {
    case 'words':
      if (part.size !== null) add(part as { size: number }, 'size', 0.004, 2);
      // From the cover's width on it bounds nothing.
      if (part.maxSize < 1) add(part, 'maxSize', 0.004, 2);
      if (part.follows) add(part.follows, 'gap', 0, 1);
      if (part.glow) add(part.glow, 'blur', 0.002, 0.2);
      if (part.fill?.kind === 'pattern') add(part.fill, 'size', 0.005, 1);
      shadow(part.shadow);
      break;
    case 'picture':
      if (part.fit === 'tile') {
        add(part, 'tileSize', 0.01, 1);
        add(part, 'tileGap', 0, 0.5);
      }
      if (part.border) add(part.border, 'width', 0.0005, 0.2);
      shadow(part.shadow);
      break;
    case 'shape':
      if (part.border) add(part.border, 'width', 0.0005, 0.2);
      if (part.fill?.kind === 'pattern') add(part.fill, 'size', 0.005, 1);
      shadow(part.shadow);
      break;
    case 'curve':
      add(part, 'width', 0.0005, 0.3);
      if (part.family?.kind === 'offset') add(part.family, 'gap', -0.5, 0.5);
      shadow(part.shadow);
      break;
    case 'ground':
    case 'scrim':
    case 'overlay':
      break;
  }
  return lengths;
}

/** How much all parts bear to grow together: no length of any leaves its range. */
function bearable(parts: readonly Part[], k: number): number {
  let [least, most] = [0.01, 100];
  for (const { get, least: low, most: high } of parts.flatMap(lengthsOf)) {
    if (get === 0) continue;
    if (low > 0) least = Math.max(least, low / get);
    most = Math.min(most, (get > 0 ? high : -low) / Math.abs(get));
  }
  return clamp(k, Math.min(least, 1), Math.max(most, 1));
}

/** Parts that can be moved, or a fault where one is gone. */
function moving(doc: Doc, ids: readonly string[]): Part[] | null {
  const parts = ids.map((id) => doc.parts[id]);
  return parts.some((part) => !part) ? null : parts.filter(movable);
}

/**
 * Scales parts together about a point, px, with their lines, shadows and letters; by less where one of them cannot follow.
 * Locked ones stay. By `k` and then by 1 / k is where they were. Faults: `part-gone`.
 */
export function scaleParts(ids: readonly string[], frames: Frames, about: Point, k: number): Edit<Doc> {
  return (doc) => {
    const parts = moving(doc, ids);
    if (!parts) return fault('part-gone');
    const by = bearable(parts, k);
    const [px, py] = [about.x / doc.widthPx, about.y / doc.heightPx];
    const to = { x: (x: number): number => px + (x - px) * by, y: (y: number): number => py + (y - py) * by };
    for (const part of parts) {
      // What hangs under a part that comes along goes on hanging there.
      if (part.kind === 'words' && part.follows && !ids.includes(part.follows.part))
        setFree(part, frames.get(part.id), doc);
      const bound = boundTo(part);
      if (part.kind === 'words' && bound !== null && !ids.includes(bound)) setFree(part, frames.get(part.id), doc);
      if ('area' in part) [part.area.x, part.area.y] = [to.x(part.area.x), to.y(part.area.y)];
      if (part.kind === 'curve') mapNodes(part.nodes, to);
      if (part.kind === 'words' && part.baseline?.kind === 'curve') mapNodes(part.baseline.nodes, to);
      for (const length of lengthsOf(part)) length.set(clamp(length.get * by, length.least, length.most));
    }
  };
}

/** An angle within half a turn of none. */
const turned = (rad: number): number => rad - 2 * Math.PI * Math.round(rad / (2 * Math.PI));

/**
 * Turns parts together about a point, px, clockwise. Locked ones stay; words that hang under others are set free, for they turn
 * about themselves. Back by the same angle is where they were. Faults: `part-gone`.
 */
export function turnParts(ids: readonly string[], frames: Frames, about: Point, rad: number): Edit<Doc> {
  return (doc) => {
    const parts = moving(doc, ids);
    if (!parts) return fault('part-gone');
    const turn = rotateAbout(rad, about.x, about.y);
    const { widthPx: w, heightPx: h } = doc;
    for (const part of parts) {
      const frame = frames.get(part.id);
      if (!frame) continue;
      if (part.kind === 'curve' && part.turnRad === 0) {
        // Its points turn, so that they can go on being shaped by hand.
        mapNodes(part.nodes, {
          x: (x, y) => apply(turn, { x: x * w, y: y * h }).x / w,
          y: (y, x) => apply(turn, { x: x * w, y: y * h }).y / h,
        });
        continue;
      }
      const from = centreOf(frame);
      const to = apply(turn, from);
      // Words that stand in or along one of the others turn with it.
      if (ids.includes(boundTo(part) ?? '')) continue;
      shift(part, frame, doc, (to.x - from.x) / w, (to.y - from.y) / h);
      part.turnRad = turned(part.turnRad + rad);
    }
  };
}

/** What several parts say of one thing: the same, or not. */
export type Shared<T> = { readonly value: T; readonly mixed: boolean };

/** A field that all parts have, as the first has it; null where one has none. */
export function sharedField<K extends string>(parts: readonly Part[], name: K): Shared<FieldOf<K>> | null {
  if (parts.length === 0 || parts.some((part) => !(name in part))) return null;
  const values = parts.map((part) => (part as unknown as Record<K, FieldOf<K>>)[name]);
  const first = JSON.stringify(values[0]);
  return { value: values[0], mixed: values.some((value) => JSON.stringify(value) !== first) };
}
type FieldOf<K extends string> = Extract<Part, Record<K, unknown>>[K];

/**
 * Writes fields into several parts; `of` may say something else of each. Locked ones stay as they are; all of them locked is
 * refused. Faults: `part-gone`, `part-locked`, `part-value`.
 */
export function setParts(ids: readonly string[], of: (part: Part) => object): Edit<Doc> {
  return (doc) => {
    const parts = ids.map((id) => doc.parts[id]);
    if (parts.some((part) => !part)) return fault('part-gone');
    const open = parts.filter((part) => !part.locked);
    if (open.length === 0) return fault('part-locked');
    for (const part of open) {
      const parsed = PartSchema.safeParse({ ...part, ...of(part), id: part.id, kind: part.kind, order: part.order });
      if (!parsed.success) return fault('part-value', { field: String(parsed.error.issues[0]?.path.join('.') ?? '') });
      doc.parts[part.id] = parsed.data;
    }
  };
}
