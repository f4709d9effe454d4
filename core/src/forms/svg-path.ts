import { type Result, fail, ok } from '../base';
import { type Path, PathBuilder } from '../plane';

const NUMBERS: Record<string, number> = { M: 2, L: 2, H: 1, V: 1, C: 6, S: 4, Q: 4, T: 2, A: 7, Z: 0 };
const TOKEN = /[a-zA-Z]|[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/gi;

/** Path data of the SVG standard as a path. Faults: `svg-path` where it does not follow the grammar. */
export function readPathData(d: string): Result<Path> {
  const tokens = d.match(TOKEN) ?? [];
  const b = new PathBuilder();
  let [x, y, startX, startY, lastX, lastY] = [0, 0, 0, 0, 0, 0];
  let last = '';
  let i = 0;
  let command = '';
  while (i < tokens.length) {
    if (/[a-z]/i.test(tokens[i][0]) && !/^[+-]?[.\d]/.test(tokens[i])) command = tokens[i++];
    else if (command === 'M') command = 'L';
    else if (command === 'm') command = 'l';
    const kind = command.toUpperCase();
    const count = NUMBERS[kind];
    if (count === undefined || (b.ops.length === 0 && kind !== 'M')) return fail('svg-path');
    const relative = command !== kind;
    const v = kind === 'A' ? arcNumbers(tokens, i) : tokens.slice(i, i + count).map(Number);
    if (v === null || v.length < count || v.some((n) => !Number.isFinite(n))) return fail('svg-path');
    i += kind === 'A' ? arcTokens(tokens, i) : count;
    const [ox, oy] = relative ? [x, y] : [0, 0];
    switch (kind) {
      case 'M':
        [x, y] = [startX, startY] = [v[0] + ox, v[1] + oy];
        b.move(x, y);
        break;
      case 'L':
        b.line((x = v[0] + ox), (y = v[1] + oy));
        break;
      case 'H':
        b.line((x = v[0] + ox), y);
        break;
      case 'V':
        b.line(x, (y = v[0] + oy));
        break;
      case 'C':
        [lastX, lastY] = [v[2] + ox, v[3] + oy];
        b.cubic(v[0] + ox, v[1] + oy, lastX, lastY, (x = v[4] + ox), (y = v[5] + oy));
        break;
      case 'S': {
        const [cx, cy] = /[CS]/.test(last) ? [2 * x - lastX, 2 * y - lastY] : [x, y];
        [lastX, lastY] = [v[0] + ox, v[1] + oy];
        b.cubic(cx, cy, lastX, lastY, (x = v[2] + ox), (y = v[3] + oy));
        break;
      }
      case 'Q':
        [lastX, lastY] = [v[0] + ox, v[1] + oy];
        b.quad(lastX, lastY, (x = v[2] + ox), (y = v[3] + oy));
        break;
      case 'T':
        [lastX, lastY] = /[QT]/.test(last) ? [2 * x - lastX, 2 * y - lastY] : [x, y];
        b.quad(lastX, lastY, (x = v[0] + ox), (y = v[1] + oy));
        break;
      case 'A':
        arc(b, x, y, v, v[5] + ox, v[6] + oy);
        [x, y] = [v[5] + ox, v[6] + oy];
        break;
      default:
        b.close();
        [x, y] = [startX, startY];
        if (i >= tokens.length) return ok(b.done());
        // After a close, further numbers without a letter are no path.
        if (/^[+-]?[.\d]/.test(tokens[i])) return fail('svg-path');
    }
    last = kind;
  }
  return b.ops.length > 0 ? ok(b.done()) : fail('svg-path');
}

/** The flags of an arc may stand without a space before the next number ("0 01.5"): how many tokens it took, and its numbers. */
function splitArc(tokens: readonly string[], from: number): { numbers: number[]; used: number } | null {
  const numbers: number[] = [];
  let i = from;
  let rest = '';
  const next = (flag: boolean): boolean => {
    const text = rest || tokens[i++];
    rest = '';
    if (text === undefined) return false;
    if (flag && text.length > 1) {
      numbers.push(Number(text[0]));
      rest = text.slice(1);
    } else numbers.push(Number(text));
    return true;
  };
  for (const flag of [false, false, false, true, true, false, false]) if (!next(flag)) return null;
  return rest ? null : { numbers, used: i - from };
}
const arcNumbers = (tokens: readonly string[], i: number): number[] | null => splitArc(tokens, i)?.numbers ?? null;
const arcTokens = (tokens: readonly string[], i: number): number => splitArc(tokens, i)?.used ?? 7;

/** An elliptical arc as cubics of at most a quarter turn (SVG 2, implementation notes B.2.4). */
function arc(b: PathBuilder, x1: number, y1: number, v: readonly number[], x2: number, y2: number): void {
  let [rx, ry] = [Math.abs(v[0]), Math.abs(v[1])];
  if (rx === 0 || ry === 0 || (x1 === x2 && y1 === y2)) {
    b.line(x2, y2);
    return;
  }
  const phi = (v[2] * Math.PI) / 180;
  const [c, s] = [Math.cos(phi), Math.sin(phi)];
  const dx = (x1 - x2) / 2;
  const dy = (y1 - y2) / 2;
  const px = c * dx + s * dy;
  const py = -s * dx + c * dy;
  const over = (px * px) / (rx * rx) + (py * py) / (ry * ry);
  if (over > 1) [rx, ry] = [rx * Math.sqrt(over), ry * Math.sqrt(over)];
  const top = rx * rx * ry * ry - rx * rx * py * py - ry * ry * px * px;
  const k = (v[3] === v[4] ? -1 : 1) * Math.sqrt(Math.max(0, top / (rx * rx * py * py + ry * ry * px * px)));
  const [ex, ey] = [(k * rx * py) / ry, (-k * ry * px) / rx];
  const cx = c * ex - s * ey + (x1 + x2) / 2;
  const cy = s * ex + c * ey + (y1 + y2) / 2;
  const from = Math.atan2((py - ey) / ry, (px - ex) / rx);
  let sweep = Math.atan2((-py - ey) / ry, (-px - ex) / rx) - from;
  if (v[4] === 0 && sweep > 0) sweep -= 2 * Math.PI;
  if (v[4] === 1 && sweep < 0) sweep += 2 * Math.PI;
  const pieces = Math.max(1, Math.ceil(Math.abs(sweep) / (Math.PI / 2)));
  const step = sweep / pieces;
  const reach = (4 / 3) * Math.tan(step / 4);
  const at = (a: number, along: number): [number, number] => {
    const ux = Math.cos(a) - along * Math.sin(a);
    const uy = Math.sin(a) + along * Math.cos(a);
    return [cx + c * rx * ux - s * ry * uy, cy + s * rx * ux + c * ry * uy];
  };
  for (let i = 0; i < pieces; i++) {
    const a0 = from + i * step;
    const a1 = a0 + step;
    b.cubic(...at(a0, reach), ...at(a1, -reach), ...at(a1, 0));
  }
}

/** A path as path data with two decimals. */
export function writePathData(path: Path): string {
  const letters = ['M', 'L', 'Q', 'C', 'Z'];
  const counts = [2, 2, 4, 6, 0];
  let d = '';
  for (let i = 0; i < path.ops.length;) {
    const code = path.ops[i++];
    const numbers = path.ops.slice(i, i + counts[code]).map((n) => String(Math.round(n * 100) / 100));
    i += counts[code];
    d += letters[code] + numbers.join(' ');
  }
  return d;
}
