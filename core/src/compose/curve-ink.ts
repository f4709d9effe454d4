import { type Hex, hexOf, labOf, rgbOf, rgbOfLab } from '../colour';
import { type CurvePart, type Doc, curveLine, curvePath, familyWay } from '../cover';
import { taperedLine } from '../forms';
import { type InkItem, fill, flat, stroke } from '../ink';
import {
  type Path,
  type Point,
  type Polyline,
  type Rect,
  joinPaths,
  pathBounds,
  polygonPath,
  polyline,
  smoothPath,
  union,
} from '../plane';
import { laid, shadowOf } from './fills';
import type { Laid, Size } from './types';

const FAMILY_POINTS = 72;
const sampled = (line: Polyline, from = 0, to = line.length): Point[] =>
  Array.from({ length: FAMILY_POINTS + 1 }, (_, i) => line.at(from + (i / FAMILY_POINTS) * (to - from)).point);

/** One line of a family: measured, with its own looks. `path` is exact where it is the drawn curve itself. */
type Member = {
  readonly line: Polyline;
  readonly path: Path | null;
  readonly width: number;
  readonly colour: Hex;
  readonly opacity: number;
};

const mix = (a: number, b: number, t: number): number => a + (b - a) * t;
function mixed(a: Hex, b: Hex, t: number): Hex {
  if (a === b) return a;
  const [p, q] = [labOf(rgbOf(a)), labOf(rgbOf(b))];
  return hexOf(rgbOfLab([mix(p[0], q[0], t), mix(p[1], q[1], t), mix(p[2], q[2], t)]));
}

/** The first curve and its family. */
function membersOf(part: CurvePart, doc: Doc): Member[] {
  const line = curveLine(part.nodes, doc, part.closed);
  const looks = { width: part.width, colour: part.colour, opacity: part.opacity };
  const own: Member = { line, path: curvePath(part.nodes, doc, part.closed), ...looks };
  const { family } = part;
  if (!family) return [own];
  if (family.kind === 'offset') {
    const beside = Array.from({ length: family.count }, (_, i): Member => {
      const away = family.gap * doc.widthPx * (i + 1);
      const points = Array.from({ length: FAMILY_POINTS + 1 }, (_unused, k) => {
        const { point, angleRad } = line.at((k / FAMILY_POINTS) * line.length);
        return { x: point.x - Math.sin(angleRad) * away, y: point.y + Math.cos(angleRad) * away };
      });
      return { line: polyline(points), path: null, ...looks };
    });
    return [own, ...beside];
  }
  const way = familyWay(part, doc);
  if (way.length < 2) return [own];
  const lines = way.map((one) => sampled(curveLine(one.nodes, doc, one.closed)));
  const between = way.slice(1).flatMap((to, k) => {
    const from = way[k];
    const steps = Array.from({ length: family.count }, (_, i): Member => {
      const t = (i + 1) / (family.count + 1);
      const points = lines[k].map((p, at) => ({
        x: mix(p.x, lines[k + 1][at].x, t),
        y: mix(p.y, lines[k + 1][at].y, t),
      }));
      const carried = family.carry
        ? {
            width: mix(from.width, to.width, t),
            colour: mixed(from.colour, to.colour, t),
            opacity: mix(from.opacity, to.opacity, t),
          }
        : looks;
      return { line: polyline(points), path: null, ...carried };
    });
    return steps;
  });
  return [own, ...between];
}

/** Length and half breadth of an arrow's head, in widths of its line. */
const HEAD = { long: 4, half: 1.9 } as const;

/** The head of an arrow whose tip is at the start or the end of a line. */
function headOf(line: Polyline, width: number, atEnd: boolean): Path {
  const { point, angleRad } = line.at(atEnd ? line.length : 0);
  const [c, s] = [Math.cos(angleRad) * (atEnd ? 1 : -1), Math.sin(angleRad) * (atEnd ? 1 : -1)];
  const back = { x: point.x - c * HEAD.long * width, y: point.y - s * HEAD.long * width };
  const side = (k: number): Point => ({ x: back.x - s * k * HEAD.half * width, y: back.y + c * k * HEAD.half * width });
  return polygonPath([point, side(1), side(-1)]);
}

const carries = ({ family }: CurvePart): boolean => family?.kind === 'between' && family.carry;

function memberInk(member: Member, part: CurvePart, doc: Size): InkItem[] {
  const width = member.width * doc.widthPx;
  const paint = flat(member.colour);
  const more = { opacity: carries(part) ? member.opacity : 1 };
  const [start, end] = [part.arrowStart && !part.closed, part.arrowEnd && !part.closed];
  const heads = [...(start ? [false] : []), ...(end ? [true] : [])].map((atEnd) =>
    fill(headOf(member.line, width, atEnd), paint, more),
  );
  // The line ends within its heads, so that their tips stay sharp.
  const short = HEAD.long * 0.7 * width;
  const [from, to] = [start ? short : 0, member.line.length - (end ? short : 0)];
  if (to <= from) return heads;
  if (part.taperStart > 0 || part.taperEnd > 0) {
    const line = start || end ? polyline(sampled(member.line, from, to)) : member.line;
    return [fill(taperedLine(line, width, part.taperStart, part.taperEnd), paint, more), ...heads];
  }
  const whole = start || end ? null : member.path;
  const path = whole ?? smoothPath(sampled(member.line, from, to), false);
  const dash = part.dash > 0 ? [part.dash * width, (part.dash + 1) * width] : [];
  return [stroke(path, width, paint, { ...more, dash } as Partial<InkItem>), ...heads];
}

export function curveInk(part: CurvePart, doc: Doc, more: Laid): { items: InkItem[]; frame: Rect } {
  const items = membersOf(part, doc).flatMap((member) => memberInk(member, part, doc));
  const paths = items.map((one) => (one.kind === 'fill' || one.kind === 'stroke' ? one.path : joinPaths([])));
  const shadow = part.shadow
    ? shadowOf(
        items.map((one) => ({ ...one, paint: flat(part.shadow?.colour ?? '#000000') }) as InkItem),
        part.shadow,
        doc,
      )
    : [];
  // Lines that carry their opacity have it one by one.
  const together = carries(part) ? { ...more, opacity: 1 } : more;
  return { items: laid([...shadow, ...items], together), frame: union(paths.map(pathBounds)) };
}
