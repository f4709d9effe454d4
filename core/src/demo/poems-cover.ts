import { type CurveNode, type Doc, docOf, newCurve, newGround, newOverlay, newWords } from '../cover';

const INK = '#22332f';
const CLAY = '#a33a20';
const RAIN = '#2f6f78';

/** A smooth line through points: each handle lies along the line from the point before to the point after. */
function through(points: readonly (readonly [number, number])[]): CurveNode[] {
  return points.map(([x, y], i) => {
    const [px, py] = points[Math.max(0, i - 1)];
    const [nx, ny] = points[Math.min(points.length - 1, i + 1)];
    const k = 0.17;
    return { x, y, inX: x - (nx - px) * k, inY: y - (ny - py) * k, outX: x + (nx - px) * k, outY: y + (ny - py) * k };
  });
}

/** A type-only cover: two voices as two families of lines that cross, one in the colour of rain, one in clay. */
export function poemsCover(): Doc {
  const words = { cut: 'fraunces/500', align: 'left', colour: INK } as const;
  const line = { width: 0.0042, taperStart: 0.9, taperEnd: 0.9, blend: 'multiply' } as const;
  const family = (part: string, count: number) => ({ kind: 'between' as const, count, part, via: [], carry: false });
  return docOf(1600, 2560, [
    { ...newGround('#eae2cf'), id: 'ground' },
    newOverlay('paper', '#8a7a58', { blend: 'multiply', opacity: 0.45, amount: 0.5, seed: 9 }),
    {
      ...newCurve(
        through([
          [-0.06, 0.83],
          [0.2, 0.79],
          [0.46, 0.86],
          [0.72, 0.77],
          [1.06, 0.83],
        ]),
        RAIN,
        line,
      ),
      id: 'rain-low',
    },
    {
      ...newCurve(
        through([
          [-0.06, 0.52],
          [0.24, 0.61],
          [0.5, 0.53],
          [0.76, 0.68],
          [1.06, 0.545],
        ]),
        RAIN,
        { ...line, family: family('rain-low', 17) },
      ),
      id: 'rain-high',
    },
    {
      ...newCurve(
        through([
          [-0.06, 0.71],
          [0.26, 0.83],
          [0.52, 0.66],
          [0.78, 0.84],
          [1.06, 0.72],
        ]),
        CLAY,
        line,
      ),
      id: 'clay-low',
    },
    {
      ...newCurve(
        through([
          [-0.06, 0.6],
          [0.22, 0.5],
          [0.5, 0.62],
          [0.74, 0.5],
          [1.06, 0.62],
        ]),
        CLAY,
        { ...line, family: family('clay-low', 13) },
      ),
      id: 'clay-high',
    },
    {
      ...newWords({
        ...words,
        role: 'title',
        says: { kind: 'brief', field: 'title' },
        area: { x: 0.1, y: 0.085, width: 0.8, height: 0.33 },
        cut: 'fraunces/800',
        alignY: 'top',
        leading: 0.92,
        tracking: -0.018,
        maxSize: 0.3,
        minor: { cut: 'fraunces/500-italic', scale: 1, colour: CLAY },
      }),
      id: 'title',
    },
    {
      ...newWords({
        ...words,
        role: 'subtitle',
        says: { kind: 'brief', field: 'subtitle' },
        area: { x: 0.1, y: 0.72, width: 0.4, height: 0.04 },
        follows: { part: 'title', gap: 0.03 },
        cut: 'fraunces/500-italic',
        colour: CLAY,
        maxSize: 0.07,
      }),
      id: 'subtitle',
    },
    {
      ...newWords({
        ...words,
        role: 'byline',
        says: { kind: 'brief', field: 'author' },
        area: { x: 0.1, y: 0.905, width: 0.8, height: 0.036 },
        maxSize: 0.066,
      }),
      id: 'byline',
    },
  ]);
}
