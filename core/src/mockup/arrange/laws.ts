import { type Rigid, after, shifted, still, turnAbout } from '../../space';
import { type Box, CASE_BOARD_MM } from '../models';
import type { Arrangement, Scene } from '../scene';

const upright = (angleRad: number): Rigid => turnAbout([0, 1, 0], angleRad);
const tipped = (angleRad: number): Rigid => turnAbout([1, 0, 0], angleRad);

type Laid = { readonly width: number; readonly height: number; readonly through: number };
const sizes = ({ least, most }: Box): Laid => ({
  width: most[0] - least[0],
  height: most[1] - least[1],
  through: most[2] - least[2],
});

/** On its back, its front up and its head away from the viewer, about the origin; its lowest point at `lift`. */
const onBack = (box: Box, lift: number): Rigid =>
  after(shifted(0, lift - box.least[2], (box.most[1] + box.least[1]) / 2), tipped(-Math.PI / 2));

/** Turned about the upright, then put with its middle at x, z. */
const put = (turnRad: number, x: number, z: number, how: Rigid = still): Rigid =>
  after(shifted(x, 0, z), after(upright(turnRad), how));

/** Leaning back about the lower edge of its back. */
const leant = (box: Box, angleRad: number): Rigid =>
  after(shifted(0, 0, box.least[2]), after(tipped(-angleRad), shifted(0, 0, -box.least[2])));

/** How far a body of these sizes reaches to each side when turned. */
const reach = (s: Laid, turnRad: number): number =>
  (Math.abs(Math.cos(turnRad)) * s.width + Math.abs(Math.sin(turnRad)) * s.through) / 2;

/** Middles of bodies that stand side by side with a gap, about the origin. */
function inRow(halves: readonly number[], gap: number): number[] {
  const total = halves.reduce((sum, h) => sum + 2 * h, 0) + gap * (halves.length - 1);
  let x = -total / 2;
  return halves.map((h) => {
    const middle = x + h;
    x += 2 * h + gap;
    return middle;
  });
}

/** Where each thing of an arrangement comes to be, from the boxes round them as they stand alone. The first is the one that matters. */
export function lawOf(arrangement: Arrangement, boxes: readonly Box[]): Rigid[] {
  const all = boxes.map(sizes);
  const tall = Math.max(...all.map((s) => s.height));
  switch (arrangement) {
    case 'standing': {
      const xs = inRow(
        all.map((s) => s.width / 2),
        tall * 0.12,
      );
      return xs.map((x) => put(0, x, 0));
    }
    case 'row': {
      const turn = 0.42;
      const xs = inRow(
        all.map((s) => reach(s, turn)),
        tall * 0.045,
      );
      return xs.map((x) => put(turn, x, 0));
    }
    case 'lying': {
      const xs = inRow(
        all.map((s) => s.width / 2),
        tall * 0.1,
      );
      return boxes.map((box, i) => put(0, xs[i], 0, onBack(box, 0)));
    }
    case 'leaning': {
      const xs = inRow(
        all.map((s) => s.width / 2),
        tall * 0.1,
      );
      return boxes.map((box, i) => put(0, xs[i], 0, leant(box, 0.24)));
    }
    case 'floating': {
      const xs = inRow(
        all.map((s) => s.width / 2),
        tall * 0.14,
      );
      const tilt = after(turnAbout([0, 0, 1], 0.06), tipped(-0.1));
      return boxes.map((_, i) => after(shifted(xs[i], 0, 0), tilt));
    }
    case 'fan': {
      const middle = (all.length - 1) / 2;
      return all.map((s, i) => {
        // The first stands in the middle and nearest; the others go out by turns to the right and to the left.
        const seat = i === 0 ? 0 : (i % 2 === 1 ? 1 : -1) * Math.ceil(i / 2);
        const off = all.length % 2 === 0 ? seat - (middle - Math.floor(middle)) : seat;
        return put(0.3 - off * 0.16, off * s.width * 0.66, -Math.abs(off) * (s.through + s.width * 0.2));
      });
    }
    case 'stack': {
      const turns = [-0.16, 0.1, -0.05, 0.2, -0.12, 0.06, 0.14, -0.2];
      let lift = 0;
      const up: Rigid[] = [];
      for (let i = all.length - 1; i >= 0; i--) {
        up[i] = put(turns[i % turns.length], 0, 0, onBack(boxes[i], lift));
        lift += all[i].through;
      }
      return up;
    }
    case 'boxed': {
      const [, ...books] = all;
      const through = books.reduce((sum, s) => sum + s.through, 0);
      let z = through / 2;
      // A case lets the spines stand out a little; they look to its open side.
      return [
        still,
        ...books.map((s, i) => {
          const at = z - s.through / 2;
          z -= s.through;
          const box = boxes[i + 1];
          const [out, within] = [boxes[0].least[0] - 5, boxes[0].most[0] - CASE_BOARD_MM];
          const left = Math.min(out - box.least[0], within - box.most[0]);
          return shifted(left, CASE_BOARD_MM, at - (box.most[2] + box.least[2]) / 2);
        }),
      ];
    }
    case 'beside': {
      let right = reach(all[0], 0.4);
      return all.map((s, i) => {
        if (i === 0) return put(0.4, 0, 0);
        const x = right + s.width * 0.28;
        right = x + s.width * 0.62;
        return put(-0.24, x, all[0].through / 2 + s.width * 0.42, leant(boxes[i], 0.16));
      });
    }
    case 'screens': {
      const [w, deep] = [all[0].width, all[0].through];
      const seats = [
        { x: 0, z: 0, turn: 0, lean: 0 },
        { x: -w * 0.5, z: deep * 0.68, turn: 0.38, lean: 0 },
        { x: w * 0.44, z: deep * 0.66, turn: -0.26, lean: 0.16 },
        { x: w * 0.18, z: deep * 0.96, turn: -0.12, lean: 0.16 },
      ];
      return boxes.map((box, i) => {
        const seat = seats[i] ?? { x: (i % 2 ? -1 : 1) * w * (0.4 + 0.12 * i), z: deep * 0.9, turn: 0, lean: 0.16 };
        return put(seat.turn, seat.x, seat.z, seat.lean > 0 ? leant(box, seat.lean) : still);
      });
    }
    case 'open': {
      const flat = all[0];
      const half = (s: Laid, deep: number, turnRad: number): number => reach({ ...s, through: deep }, turnRad);
      let right = half(flat, flat.through, 0.12);
      return boxes.map((box, i) => {
        if (i === 0) return put(0.12, 0, 0);
        const own = half(all[i], all[i].height, 0.2);
        right += own + flat.width * 0.02;
        const x = right;
        right += own;
        return put(-0.2, x, flat.through * 0.12, onBack(box, 0));
      });
    }
  }
}

/** How far over the ground the lowest point of a thing is, as a share of the highest thing; null where the law says it itself. */
export const liftOf = (arrangement: Arrangement): number | null =>
  arrangement === 'stack' || arrangement === 'boxed' ? null : arrangement === 'floating' ? 0.14 : 0;

/** Where a scene is seen from. Isometric: so far away that the three axes are shortened alike. */
export const VIEWS = {
  left: { turnRad: 0.51, tiltRad: 0.2, rollRad: 0, lensMm: 85 },
  right: { turnRad: -0.51, tiltRad: 0.2, rollRad: 0, lensMm: 85 },
  straight: { turnRad: 0, tiltRad: 0.03, rollRad: 0, lensMm: 110 },
  isometric: { turnRad: Math.PI / 4, tiltRad: Math.atan(Math.SQRT1_2), rollRad: 0, lensMm: 600 },
} as const satisfies Readonly<Record<string, Partial<Scene['pose']>>>;

/** How an arrangement is looked at when it is chosen. */
export const POSES: Readonly<Record<Arrangement, Partial<Scene['pose']>>> = {
  standing: { turnRad: 0.51, tiltRad: 0.2, lensMm: 85 },
  lying: { turnRad: 0.5, tiltRad: 0.72, lensMm: 85 },
  leaning: { turnRad: 0.42, tiltRad: 0.24, lensMm: 85 },
  floating: { turnRad: 0.46, tiltRad: 0.14, lensMm: 85 },
  row: { turnRad: 0, tiltRad: 0.16, lensMm: 110 },
  fan: { turnRad: 0, tiltRad: 0.2, lensMm: 85 },
  stack: { turnRad: 0.56, tiltRad: 0.5, lensMm: 85 },
  boxed: { turnRad: 0.72, tiltRad: 0.22, lensMm: 85 },
  beside: { turnRad: 0, tiltRad: 0.2, lensMm: 85 },
  screens: { turnRad: 0, tiltRad: 0.24, lensMm: 85 },
  open: { turnRad: 0.16, tiltRad: 0.66, lensMm: 85 },
};
