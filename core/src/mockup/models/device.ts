import type { Vec3 } from '../../space';
import { Draft } from './draft';
import type { Look, Model } from './model';

/** A slab with a screen in it. Margins between the slab's edge and the screen. */
export type DeviceSize = {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly depthMm: number;
  readonly cornerMm: number;
  readonly sideMm: number;
  readonly topMm: number;
  readonly footMm: number;
  readonly colour: string;
  readonly sideColour: string;
  /** A paper-like screen does not shine. */
  readonly paper: boolean;
};

export const EREADER: DeviceSize = {
  widthMm: 124,
  heightMm: 172,
  depthMm: 8,
  cornerMm: 7,
  sideMm: 9,
  topMm: 9,
  footMm: 21,
  colour: '#2b2c2d',
  sideColour: '#232425',
  paper: true,
};
export const TABLET: DeviceSize = {
  widthMm: 166,
  heightMm: 236,
  depthMm: 7,
  cornerMm: 11,
  sideMm: 9.5,
  topMm: 11,
  footMm: 11,
  colour: '#17181a',
  sideColour: '#8f9193',
  paper: false,
};
export const PHONE: DeviceSize = {
  widthMm: 73,
  heightMm: 150,
  depthMm: 8.4,
  cornerMm: 10,
  sideMm: 3.6,
  topMm: 4.2,
  footMm: 4.2,
  colour: '#141517',
  sideColour: '#55585b',
  paper: false,
};

const glass = (paper: boolean, ratio: number): Look => ({
  kind: 'art',
  side: 'front',
  ratio,
  surface: paper ? 'paper' : 'glow',
});

/** A device that stands upright, its screen to the front. */
export function device(size: DeviceSize): Model {
  const { widthMm, heightMm, depthMm, cornerMm, sideMm, topMm, footMm } = size;
  const draft = new Draft();
  const z1 = depthMm / 2;
  const body = draft.slab(
    { widthMm, heightMm, cornerMm, z0: -z1, z1 },
    { front: 'body', back: 'back', sides: 'sides' },
  );
  const [w, h] = [widthMm - 2 * sideMm, heightMm - topMm - footMm];
  draft.flat('screen', body, [-w / 2, heightMm - topMm, z1 + 0.05], [w, 0, 0], [0, -h, 0]);
  draft.looks.set('body', { kind: 'flat', colour: size.colour, surface: size.paper ? 'plastic' : 'glass' });
  draft.looks.set('back', { kind: 'flat', colour: size.sideColour, surface: 'plastic' });
  draft.looks.set('sides', { kind: 'flat', colour: size.sideColour, surface: size.paper ? 'plastic' : 'metal' });
  draft.looks.set('screen', glass(size.paper, w / h));
  return draft.model();
}

const LID_RAD = 0.32;

/** An open laptop: its screen leans back from the hinge at the base's far edge. */
export function laptop(): Model {
  const [w, d] = [318, 218];
  const [base, lid] = [13, 5.5];
  const draft = new Draft();
  const flatSlab = new Draft();
  // Drafted standing, then laid on its back: what was up points away from the viewer.
  flatSlab.slab(
    { widthMm: w, heightMm: d, cornerMm: 9, z0: 0, z1: base, y0: -d / 2 },
    { front: 'body', back: 'bottom', sides: 'sides' },
    4,
  );
  flatSlab.flat('keys', 0, [-w * 0.44, d * 0.4, base + 0.05], [w * 0.88, 0, 0], [0, -d * 0.45, 0]);
  flatSlab.flat('pad', 0, [-w * 0.17, -d * 0.12, base + 0.05], [w * 0.34, 0, 0], [0, -d * 0.31, 0]);
  const lay = ([x, y, z]: Vec3): Vec3 => [x, z, -y];
  draft.take(flatSlab, lay, lay);
  const screen = new Draft();
  const h = 214;
  screen.slab(
    { widthMm: w, heightMm: h, cornerMm: 8, z0: -lid, z1: 0 },
    { front: 'rim', back: 'back', sides: 'sides' },
    4,
  );
  const [sw, sh] = [w - 18, h - 26];
  screen.flat('screen', 0, [-sw / 2, h - 10, 0.05], [sw, 0, 0], [0, -sh, 0]);
  const [c, s] = [Math.cos(LID_RAD), Math.sin(LID_RAD)];
  const lean = ([x, y, z]: Vec3): Vec3 => [x, y * c + z * s, -y * s + z * c];
  draft.take(
    screen,
    (p) => {
      const [x, y, z] = lean(p);
      return [x, y + base - 0.4, z - d / 2 + 3];
    },
    lean,
  );
  draft.looks.set('body', { kind: 'flat', colour: '#aeb0b2', surface: 'metal' });
  draft.looks.set('sides', { kind: 'flat', colour: '#9b9d9f', surface: 'metal' });
  draft.looks.set('bottom', { kind: 'flat', colour: '#6f7173', surface: 'plastic' });
  draft.looks.set('back', { kind: 'flat', colour: '#a5a7a9', surface: 'metal' });
  draft.looks.set('rim', { kind: 'flat', colour: '#18191b', surface: 'glass' });
  draft.looks.set('keys', { kind: 'keys', surface: 'plastic' });
  draft.looks.set('pad', { kind: 'flat', colour: '#a3a5a7', surface: 'metal' });
  draft.looks.set('screen', glass(false, sw / sh));
  return draft.model();
}
