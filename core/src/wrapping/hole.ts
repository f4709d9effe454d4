import { type Noise, layeredNoise } from '../texture';

/** How far inside a torn hole a point is, px: negative outside; `angle` numbers the direction from its middle, 0..1. */
export type Hole = (x: number, y: number) => { readonly inside: number; readonly angle: number };

const STEPS = 2048;

/** Noise that comes round again after one turn. */
const round = (n: Noise, k: number, turn: number): number =>
  n(Math.cos(turn * 2 * Math.PI) * k + 40, Math.sin(turn * 2 * Math.PI) * k + 40);

/**
 * A hole torn about a point so that it shows about `share` of a picture of w x h px: longer along one direction, ragged, with a few rips
 * that run out into the paper. Distances are along the rays from its middle.
 */
export function tornHole(
  { w, h }: { w: number; h: number },
  at: { x: number; y: number },
  share: number,
  seed: number,
  ragged = 1,
): Hole {
  const noise = layeredNoise(seed, 4);
  const [cx, cy] = [at.x * w, at.y * h];
  const far = Math.max(...[0, w].flatMap((x) => [0, h].map((y) => Math.hypot(x - cx, y - cy))));
  // All of it is shown only when the farthest corner is: before that about the share of the area.
  const ideal = Math.sqrt((share * w * h) / Math.PI);
  const size = share >= 1 ? far * 1.6 : ideal + (far * 1.15 - ideal) * share ** 4;
  const lean = -0.55 + 0.5 * noise(3, 9);
  const radii = new Float32Array(STEPS);
  for (let i = 0; i < STEPS; i++) {
    const turn = i / STEPS;
    const along = Math.cos(turn * 2 * Math.PI - lean);
    const shape = 1 + 0.26 * (along * along - 0.5);
    const lobes = 0.3 * round(noise, 0.9, turn) + 0.11 * round(noise, 3.6, turn) + 0.035 * round(noise, 15, turn);
    const rip = Math.max(0, round(noise, 2.1, turn + 0.37) - 0.34) ** 2 * 2.6;
    radii[i] = size * Math.max(0.25, shape + ragged * (lobes + rip));
  }
  return (x, y) => {
    const [dx, dy] = [x - cx, y - cy];
    const turn = Math.atan2(dy, dx) / (2 * Math.PI);
    const place = (turn < 0 ? turn + 1 : turn) * STEPS;
    const i = Math.floor(place) % STEPS;
    const f = place - Math.floor(place);
    const radius = radii[i] * (1 - f) + radii[(i + 1) % STEPS] * f;
    return { inside: radius - Math.hypot(dx, dy), angle: place / STEPS };
  };
}
