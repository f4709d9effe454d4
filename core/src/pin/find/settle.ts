import { LINEAR_OF, type Raster } from '../../pixels';
import type { Point } from '../../plane';
import { areaOf } from './quads';

const PROFILES = 64;
/** Each is the mean of so many readings along the side. */
const READINGS = 7;
/** A profile is read in steps of this many px. */
const STEP = 0.5;
/** A step of this share of the largest one counts. */
const FIRST = 0.07;
/** And this many times what the face itself has of steps: its noise. */
const ABOVE_NOISE = 3.2;
/** A band that differs by less than this many times a step's slope has the face's own colour. */
const ALIKE = 1;
/** How far within a side its step may be, in sides of the face. */
const DEEP = 0.07;

/** Corners settled on the steps that are really there; `held` is the share of each side's places that bear its line out. */
export type Settled = { readonly corners: readonly Point[]; readonly held: readonly number[] };

/** Perceived brightness and colours at a place, bilinear: square roots of linear light keep dark steps in sight. */
function read(photo: Raster, x: number, y: number, out: Float64Array): boolean {
  const [i, j] = [Math.floor(x - 0.5), Math.floor(y - 0.5)];
  if (i < 0 || j < 0 || i >= photo.width - 1 || j >= photo.height - 1) return false;
  const [fx, fy] = [x - 0.5 - i, y - 0.5 - j];
  const p = (j * photo.width + i) * 4;
  const down = photo.width * 4;
  for (let c = 0; c < 3; c++) {
    const top = LINEAR_OF[photo.data[p + c]] * (1 - fx) + LINEAR_OF[photo.data[p + 4 + c]] * fx;
    const foot = LINEAR_OF[photo.data[p + down + c]] * (1 - fx) + LINEAR_OF[photo.data[p + down + 4 + c]] * fx;
    out[c] += Math.sqrt(top * (1 - fy) + foot * fy);
  }
  return true;
}

type Step = {
  readonly place: number;
  readonly t: number;
  readonly off: number;
  readonly size: number;
  readonly dir: readonly number[];
};

/** Places across a side: three channels every `STEP` px, from outside to within, and how steep they are. */
type Profile = { readonly t: number; readonly values: Float64Array; readonly sizes: Float64Array };

function profilesOf(photo: Raster, p: Point, q: Point, reach: number, within: number): Profile[] {
  const length = Math.hypot(q.x - p.x, q.y - p.y);
  const [dx, dy] = [(q.x - p.x) / length, (q.y - p.y) / length];
  const count = Math.ceil((reach + within) / STEP) + 1;
  // Each place is the mean of some px along the side: noise is less, and the step stays.
  const wide = Math.max(2, Math.min(9, length / PROFILES / 1.2));
  const cell = new Float64Array(3);
  const found: Profile[] = [];
  for (let k = 0; k < PROFILES; k++) {
    const t = length * (0.03 + (0.94 * (k + 0.5)) / PROFILES);
    const values = new Float64Array(count * 3);
    let whole = true;
    for (let i = 0; i < count && whole; i++) {
      const o = i * STEP - reach;
      cell.fill(0);
      for (let k = 0; k < READINGS; k++) {
        const s = wide * (k / (READINGS - 1) - 0.5);
        whole &&= read(photo, p.x + dx * (t + s) - dy * o, p.y + dy * (t + s) + dx * o, cell);
      }
      for (let c = 0; c < 3; c++) values[i * 3 + c] = cell[c] / READINGS;
    }
    if (!whole) continue;
    const sizes = new Float64Array(count);
    for (let i = 3; i < count - 3; i++) {
      sizes[i] = Math.hypot(slope(values, i, 0), slope(values, i, 1), slope(values, i, 2));
    }
    found.push({ t, values, sizes });
  }
  return found;
}

/** How steep a face is within, where it is blank: the middle of the innermost places. */
function quietOf(profiles: readonly Profile[]): number {
  const calm = profiles.flatMap(({ sizes }) => [...sizes.slice(-3 - Math.ceil(sizes.length / 6), -3)]);
  return calm.sort((a, b) => a - b)[calm.length >> 1] ?? 0;
}

/** All steps across a side, place by place: px off the line along its normal, positive within the face. */
function steps(profiles: readonly Profile[], reach: number, quiet: number): Step[] {
  const found: Step[] = [];
  profiles.forEach(({ t, values, sizes }, place) => {
    const least = Math.max(1.6, FIRST * Math.max(...sizes), ABOVE_NOISE * quiet);
    for (let i = 4; i < sizes.length - 4; i++) {
      const [a, size, d] = [sizes[i - 1], sizes[i], sizes[i + 1]];
      if (size <= least || size < a || size <= d) continue;
      const bent = a - 2 * size + d;
      const off = (i + (bent < 0 ? (0.5 * (a - d)) / bent : 0)) * STEP - reach;
      found.push({ place, t, off, size, dir: [0, 1, 2].map((c) => slope(values, i, c) / size) });
    }
  });
  return found;
}

/** The slope over about 3 px: the derivative of a Gaussian, short. */
const slope = (profile: Float64Array, i: number, c: number): number =>
  (3 * (profile[(i + 1) * 3 + c] - profile[(i - 1) * 3 + c]) +
    2 * (profile[(i + 2) * 3 + c] - profile[(i - 2) * 3 + c]) +
    (profile[(i + 3) * 3 + c] - profile[(i - 3) * 3 + c])) /
  14;

type SideLine = { readonly a: number; readonly b: number; readonly held: number; readonly steps: readonly Step[] };

const dot = (p: readonly number[], q: readonly number[]): number => p[0] * q[0] + p[1] * q[1] + p[2] * q[2];

/** Lines off = a + b t through pairs of steps that go one way; those that many places bear out. */
function linesThrough(found: readonly Step[], near: number): SideLine[] {
  const lines: SideLine[] = [];
  const every = Math.max(1, Math.floor(found.length / 40));
  for (let i = 0; i < found.length; i += every) {
    for (let j = i + 1; j < found.length; j += every) {
      const p = found[i];
      const q = found[j];
      if (q.place - p.place < PROFILES / 5 || dot(p.dir, q.dir) < 0.4) continue;
      const b = (q.off - p.off) / (q.t - p.t);
      if (Math.abs(b) > 0.12) continue;
      const a = p.off - b * p.t;
      const held = heldBy(found, a, b, near, p, q) / PROFILES;
      if (held > 0.2) lines.push({ a, b, held, steps: [p, q] });
    }
  }
  return lines;
}

/** Of how many places a step is near a line and goes the way of two others. `found` is in the order of places. */
function heldBy(found: readonly Step[], a: number, b: number, near: number, p: Step, q: Step): number {
  const [x, y, z] = [p.dir[0] + q.dir[0], p.dir[1] + q.dir[1], p.dir[2] + q.dir[2]];
  let [count, last] = [0, -1];
  for (const f of found) {
    if (f.place === last || Math.abs(f.off - a - b * f.t) >= near) continue;
    if (f.dir[0] * x + f.dir[1] * y + f.dir[2] * z <= 0) continue;
    count++;
    last = f.place;
  }
  return count;
}

/** A line with all the steps that bear it out. */
function whole(line: SideLine, found: readonly Step[], near: number): SideLine {
  const [p, q] = line.steps;
  const mid = [0, 1, 2].map((c) => p.dir[c] + q.dir[c]);
  return { ...line, steps: found.filter((f) => Math.abs(f.off - line.a - line.b * f.t) < near && dot(f.dir, mid) > 0) };
}

/** A line by least squares, steps far from it counting less and less (Tukey's weights). */
function tightened({ a, b, held, steps: own }: SideLine, near: number): SideLine {
  for (let k = 0; k < 4; k++) {
    let [w, st, so, stt, sto] = [0, 0, 0, 0, 0];
    for (const f of own) {
      const r = (f.off - a - b * f.t) / (1.5 * near);
      if (Math.abs(r) >= 1) continue;
      const v = (1 - r * r) ** 2;
      w += v;
      st += v * f.t;
      so += v * f.off;
      stt += v * f.t * f.t;
      sto += v * f.t * f.off;
    }
    const det = w * stt - st * st;
    if (!(det > 0)) break;
    b = (w * sto - st * so) / det;
    a = (so - b * st) / w;
  }
  return { a, b, held, steps: own };
}

/**
 * The side of a blank face: the innermost line that many places bear out, for what lies farther out is its page block
 * or its shadow. But a crease is no end: beyond it the face goes on in its own colour.
 */
function sideIn(found: readonly Step[], profiles: readonly Profile[], reach: number, near: number): SideLine | null {
  const lines = linesThrough(found, near);
  if (lines.length === 0) return null;
  const best = lines.reduce((p, q) => (q.held > p.held ? q : p));
  const length = profiles[profiles.length - 1].t;
  const middle = ({ a, b }: SideLine): number => a + (b * length) / 2;
  const held = lines.filter((l) => l.held > Math.max(0.4, 0.55 * best.held)).sort((p, q) => middle(p) - middle(q));
  let side = held[0] ?? best;
  for (const line of held) {
    if (middle(line) > middle(side) + 2 && !isCrease(line, side, profiles, reach)) side = line;
  }
  // Of those that nearly coincide with it, the one that most places bear out.
  side = lines.reduce((p, q) => (Math.abs(middle(q) - middle(side)) < 1.5 && q.held > p.held ? q : p), side);
  return tightened(whole(side, found, near), near);
}

/** Whether the band between an inner and an outer line has the colour that the face has farther within. */
function isCrease(inner: SideLine, outer: SideLine, profiles: readonly Profile[], reach: number): boolean {
  const [band, within] = [
    [0, 0, 0],
    [0, 0, 0],
  ];
  let [n, m] = [0, 0];
  for (const { t, values, sizes } of profiles) {
    const [from, to] = [outer.a + outer.b * t, inner.a + inner.b * t].map((off) => (off + reach) / STEP);
    const count = sizes.length;
    if (to - from < 10) continue;
    for (let i = Math.ceil(from + (to - from) * 0.3); i < to - (to - from) * 0.3; i++, n++)
      for (let c = 0; c < 3; c++) band[c] += values[i * 3 + c] ?? 0;
    for (let i = Math.ceil(count * 0.82); i < count; i++, m++)
      for (let c = 0; c < 3; c++) within[c] += values[i * 3 + c];
  }
  if (n === 0 || m === 0) return false;
  const apart = Math.hypot(...band.map((v, c) => v / n - within[c] / m));
  const size = inner.steps.reduce((sum, s) => sum + s.size, 0) / inner.steps.length;
  // A blurred step rises over some 4 px at its steepest slope.
  return apart < ALIKE * size;
}

/**
 * Corners moved to where the sides of the face really are: each side's step is sought within `reach` px at many places,
 * a line is put through most of them, and neighbouring lines meet. A side without a clear step stays where it is.
 */
export function settled(photo: Raster, corners: readonly Point[], reach: number): Settled {
  let now = corners;
  let held: number[] = [0, 0, 0, 0];
  let quiet: readonly number[] | null = null;
  // First also farther within: what was taken for the face may have been its page block with it.
  const deep = Math.max(reach, DEEP * Math.sqrt(Math.abs(areaOf(corners))));
  for (const [r, within] of [
    [reach, deep],
    [Math.max(3, reach / 2), Math.max(3, reach / 2)],
    [3, 3],
  ]) {
    const read = now.map((p, s) => profilesOf(photo, p, now[(s + 1) % 4], r + 2, within + 2));
    // Told once, where the places reach far enough within.
    quiet ??= read.map(quietOf);
    const calm = quiet;
    const lines = now.map((p, s) => {
      const q = now[(s + 1) % 4];
      const length = Math.hypot(q.x - p.x, q.y - p.y);
      const [dx, dy] = [(q.x - p.x) / length, (q.y - p.y) / length];
      const found = length > 12 ? steps(read[s], r + 2, calm[s]) : [];
      const line = found.length > 8 ? sideIn(found, read[s], r + 2, r < 4 ? 0.9 : 1.4) : null;
      held = held.with(s, line?.held ?? 0);
      const { a, b } = line && line.held > 0.2 ? line : { a: 0, b: 0 };
      // Two points of the side, moved along its normal.
      const at = (t: number): Point => ({ x: p.x + dx * t - dy * (a + b * t), y: p.y + dy * t + dx * (a + b * t) });
      return [at(0), at(length)] as const;
    });
    const next = lines.map((line, s) => crossing(lines[(s + 3) % 4], line));
    // A corner that flies off says that a side was wrong: then all stay.
    if (next.some((p, s) => !p || Math.hypot(p.x - now[s].x, p.y - now[s].y) > 4 * Math.max(reach, within))) break;
    now = next.map((p) => p ?? { x: 0, y: 0 });
  }
  return { corners: now, held };
}

function crossing(a: readonly [Point, Point], b: readonly [Point, Point]): Point | null {
  const [ux, uy] = [a[1].x - a[0].x, a[1].y - a[0].y];
  const [vx, vy] = [b[1].x - b[0].x, b[1].y - b[0].y];
  const det = ux * vy - uy * vx;
  if (Math.abs(det) < 1e-9) return null;
  const t = ((b[0].x - a[0].x) * vy - (b[0].y - a[0].y) * vx) / det;
  return { x: a[0].x + ux * t, y: a[0].y + uy * t };
}
